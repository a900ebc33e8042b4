import { useState } from 'react';
import type { Sheet, TransitRequest } from '../api/types';
import { Button } from '../ui/Button';
import { Segments } from '../ui/Segments';

interface Props {
    sheet: Sheet;
    busy: boolean;
    ask: (request: TransitRequest) => void;
}

const TIMES = [0.5, 1, 2, 4];

/** What is tested: the sheet's uploads to a host as they are, or rates and sizes around one of them. */
export function Ask({ sheet, busy, ask }: Props) {
    const uploads = sheet.outputs.map(({ plan }, place) => ({ plan, place })).filter(({ plan }) => plan.host !== null);
    const hosts = [...new Map(uploads.map(({ plan }) => [plan.host ?? '', plan.hostName ?? ''])).entries()];
    const [picked, setHost] = useState<string | null>(null);
    const host = picked ?? hosts[0]?.[0] ?? '';
    const own = uploads.filter(({ plan }) => plan.host === host);
    const [way, setWay] = useState<'sheet' | 'around'>('around');
    const [around, setAround] = useState<number | null>(null);
    const [lifted, setLifted] = useState(false);
    const place = own.some((one) => one.place === around) ? around : (own[0]?.place ?? null);
    const field = 'h-7 rounded border border-line bg-page px-1.5';
    return (
        <form
            className="flex flex-wrap items-center gap-x-4 gap-y-2 text-[13px]"
            onSubmit={(event) => {
                event.preventDefault();
                ask(
                    way === 'sheet' || place === null
                        ? { host }
                        : { host, grid: { output: place, times: TIMES, steps: lifted ? [0, 1] : [0] } },
                );
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
                    { value: 'around', label: 'Rates around an output' },
                    { value: 'sheet', label: `The sheet’s uploads (${own.length})` },
                ]}
                onChange={setWay}
            />
            {way === 'around' && (
                <>
                    <label className="flex items-center gap-2">
                        <span className="text-soft">Around</span>
                        <select
                            className={field}
                            value={place ?? ''}
                            onChange={(event) => setAround(Number(event.target.value))}
                        >
                            {own.map(({ plan, place: at }) => (
                                <option key={at} value={at}>
                                    {at + 1} · {plan.presetName}
                                </option>
                            ))}
                        </select>
                    </label>
                    <span className="text-soft">× 0.5, 1, 2 and 4</span>
                    <label className="flex items-center gap-1.5">
                        <input
                            type="checkbox"
                            className="accent-rust"
                            checked={lifted}
                            onChange={(event) => setLifted(event.target.checked)}
                        />
                        one size up too
                    </label>
                </>
            )}
            <Button type="submit" kind="primary" disabled={busy} title={busy ? 'A test is under way' : undefined}>
                Test
            </Button>
        </form>
    );
}
