import { useState } from 'react';
import type { Range, Sheet, TransitRequest } from '../api/types';
import { Button } from '../ui/Button';
import { Segments } from '../ui/Segments';
import { PieceStrip } from './PieceStrip';
import { Vary } from './Vary';
import { countOf, MOST, USUAL } from './varied';

interface Props {
    sheet: Sheet;
    busy: boolean;
    ask: (request: TransitRequest) => void;
}

type Way = 'sheet' | 'around' | 'routes';

/** What is tested: rates and sizes around an output, an output in three ways, or the sheet's uploads as they are; and on which pieces. */
export function Ask({ sheet, busy, ask }: Props) {
    const uploads = sheet.outputs.map(({ plan }, place) => ({ plan, place })).filter(({ plan }) => plan.host !== null);
    const hosts = [...new Map(uploads.map(({ plan }) => [plan.host ?? '', plan.hostName ?? ''])).entries()];
    const [picked, setHost] = useState<string | null>(null);
    const host = picked ?? hosts[0]?.[0] ?? '';
    const own = uploads.filter(({ plan }) => plan.host === host);
    const [way, setWay] = useState<Way>('around');
    const [around, setAround] = useState<number | null>(null);
    const [varied, setVaried] = useState(USUAL);
    const [byHand, setByHand] = useState(false);
    const [pieces, setPieces] = useState<Range[]>([]);
    const output = (own.some((one) => one.place === around) ? around : own[0]?.place) ?? 0;
    const field = 'h-7 rounded border border-line bg-page px-1.5';
    const why = busy
        ? 'A test is under way'
        : way === 'around' && countOf(varied) > MOST
          ? `A test takes ${MOST} candidates at most`
          : byHand && pieces.length === 0
            ? 'Choose a piece on the strip first'
            : undefined;
    const request = (): TransitRequest => ({
        host,
        ...(byHand ? { chosen: pieces } : {}),
        ...(way === 'around' ? { grid: { output, ...varied } } : {}),
        ...(way === 'routes' ? { routes: { output } } : {}),
    });
    return (
        <form
            className="flex flex-wrap items-center gap-x-3.5 gap-y-2 text-[13px]"
            onSubmit={(event) => {
                event.preventDefault();
                ask(request());
            }}
        >
            <label className="flex items-center gap-2">
                <span className="text-soft">Through</span>
                <select className={field} value={host} onChange={(event) => setHost(event.target.value)}>
                    {hosts.map(([slug, name]) => (
                        <option key={slug} value={slug}>
                            {name}
                        </option>
                    ))}
                </select>
            </label>
            <Segments
                label="Candidates"
                value={way}
                options={[
                    { value: 'around', label: 'Around an output' },
                    { value: 'routes', label: 'Three ways' },
                    { value: 'sheet', label: `The sheet’s uploads (${own.length})` },
                ]}
                onChange={setWay}
            />
            {way !== 'sheet' && (
                <label className="flex items-center gap-2">
                    <span className="text-soft">{way === 'around' ? 'Around' : 'Of'}</span>
                    <select
                        className={field}
                        value={output}
                        onChange={(event) => setAround(Number(event.target.value))}
                    >
                        {own.map(({ plan, place }) => (
                            <option key={place} value={place}>
                                {place + 1} · {plan.presetName}
                            </option>
                        ))}
                    </select>
                </label>
            )}
            {way === 'around' && <Vary varied={varied} onChange={setVaried} />}
            {way === 'routes' && (
                <span className="text-soft">fast in one pass, slow in two, and of a master that is made first</span>
            )}
            <label className="flex items-center gap-2">
                <span className="text-soft">Pieces</span>
                <select
                    className={field}
                    value={byHand ? 'hand' : 'analysis'}
                    onChange={(event) => setByHand(event.target.value === 'hand')}
                >
                    <option value="analysis">for all of it</option>
                    <option value="hand">from the strip</option>
                </select>
            </label>
            <Button type="submit" kind="primary" disabled={why !== undefined} title={why}>
                Test
            </Button>
            {byHand && <PieceStrip cut={sheet.cut} pieces={pieces} onChange={setPieces} />}
        </form>
    );
}
