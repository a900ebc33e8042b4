import { useQuery } from '@tanstack/react-query';
import { useDeferredValue, useState } from 'react';
import { api } from '../api/client';
import { keys } from '../api/keys';
import { Button } from '../ui/Button';
import { Figures } from '../ui/Figures';
import { Mark } from '../ui/Mark';
import { Modal } from '../ui/Modal';
import { Trouble } from '../ui/States';
import type { Json } from './draft';

/** Makes rates of a table that was copied from a help page. What was understood stands beside the text, to be put right first. */
export function PasteTable({ take }: { take: (rows: Json[]) => void }) {
    const [open, setOpen] = useState(false);
    return (
        <Modal
            open={open}
            onOpenChange={setOpen}
            title="Paste a table of rates"
            width={1040}
            trigger={<Button className="h-6">Paste a table …</Button>}
        >
            <Paste
                take={(rows) => {
                    take(rows);
                    setOpen(false);
                }}
                close={() => setOpen(false)}
            />
        </Modal>
    );
}

/** Of the text and of the marks beside it, which stand line by line. */
const letters = 'font-mono text-[12px] leading-5';
const pasted = 'min-h-full flex-1 resize-none overflow-hidden whitespace-pre bg-transparent p-2 outline-none';

function Paste({ take, close }: { take: (rows: Json[]) => void; close: () => void }) {
    const [text, setText] = useState('');
    const late = useDeferredValue(text);
    const read = useQuery({
        queryKey: keys.table(late),
        queryFn: () => api.readTable(late),
        enabled: late.trim() !== '',
        placeholderData: (before) => before,
        staleTime: Number.POSITIVE_INFINITY,
    });
    const lines = text.split('\n');
    const figures = text.trim() === '' ? [] : (read.data?.figures ?? []);
    const remarks = text.trim() === '' ? [] : (read.data?.remarks ?? []);
    const understood = new Set(figures.map((figure) => figure.line));
    const left = new Map(remarks.map((remark) => [remark.line, remark.text]));
    return (
        <>
            <p className="mb-3 text-soft">
                From a help page, a spreadsheet or a mail: a frame size in each line, with its heading. Put the text
                right until every rate is understood.
            </p>
            <div className="grid min-h-0 flex-1 grid-cols-2 gap-5">
                <div className="flex min-h-0 flex-col">
                    <label htmlFor="pasted" className="mb-1 text-soft">
                        The text
                    </label>
                    <div className="flex min-h-[300px] flex-1 overflow-auto rounded border border-line bg-page">
                        <ol aria-hidden className={`flex-none py-2 pl-2 ${letters}`}>
                            {lines.map((_, i) => (
                                // biome-ignore lint/suspicious/noArrayIndexKey: items have no identity but their position
                                <li key={i} className="flex h-5 w-5 items-center">
                                    {understood.has(i + 1) ? (
                                        <Mark kind="done" />
                                    ) : left.has(i + 1) ? (
                                        <Mark kind="caution" />
                                    ) : null}
                                </li>
                            ))}
                        </ol>
                        <textarea
                            id="pasted"
                            value={text}
                            wrap="off"
                            rows={lines.length}
                            spellCheck={false}
                            placeholder={
                                'Resolution\t24–30 fps\t50–60 fps\n2160p\t35–45 Mb/s\t53–68 Mb/s\n1080p\t8 Mb/s\t12 Mb/s'
                            }
                            onChange={(event) => setText(event.target.value)}
                            className={`${pasted} ${letters}`}
                        />
                    </div>
                </div>
                <div className="flex min-h-0 flex-col" aria-live="polite">
                    <div className="mb-1 text-soft">What was understood</div>
                    <ul className="min-h-0 flex-1 overflow-auto rounded border border-line">
                        {figures.map((figure, i) => (
                            // biome-ignore lint/suspicious/noArrayIndexKey: items have no identity but their position
                            <li key={i} className="flex items-center gap-2 border-b border-line px-2 py-[3px]">
                                <Mark kind={figure.guessed ? 'caution' : 'done'} />
                                <Figures text={figure.label} />
                                <span className="ml-auto truncate pl-2 text-faint" title={figure.text}>
                                    {figure.guessed ? 'no unit is said: a guess' : `line ${figure.line}`}
                                </span>
                            </li>
                        ))}
                        {remarks.map((remark) => (
                            <li
                                key={`remark ${remark.line}`}
                                className="flex items-center gap-2 border-b border-line px-2 py-[3px] text-soft"
                            >
                                <Mark kind="caution" />
                                <span className="truncate" title={remark.text}>
                                    line {remark.line} is no rate: {remark.text}
                                </span>
                            </li>
                        ))}
                        {figures.length === 0 && remarks.length === 0 && (
                            <li className="px-2 py-6 text-center text-faint">Nothing yet.</li>
                        )}
                    </ul>
                </div>
            </div>
            {read.error && <Trouble message={read.error.message} />}
            <div className="mt-4 flex items-center justify-end gap-2">
                <span className="mr-auto text-soft">
                    {figures.length > 0 &&
                        `${read.data?.rows.length ?? 0} rows will take the place of those that are there.`}
                </span>
                <Button kind="quiet" onClick={close}>
                    Cancel
                </Button>
                <Button
                    kind="primary"
                    disabled={figures.length === 0 || read.isPlaceholderData}
                    title={figures.length === 0 ? 'No rate was understood yet' : undefined}
                    onClick={() => take((read.data?.rows ?? []) as unknown as Json[])}
                >
                    Take these rates
                </Button>
            </div>
        </>
    );
}
