import { useQuery, useQueryClient } from '@tanstack/react-query';
import { ArrowDown, ArrowUp } from 'lucide-react';
import { Dialog } from 'radix-ui';
import { useDeferredValue, useRef, useState } from 'react';
import { api } from '../api/client';
import { keys } from '../api/keys';
import type { MediaFile } from '../api/types';
import { Button } from '../ui/Button';
import { Figures } from '../ui/Figures';
import { Mark } from '../ui/Mark';
import { Trouble } from '../ui/States';
import { sendFiles } from '../uploads/uploads';

/** The files in the media folders; what is no video is shown for what it is and cannot be chosen. */
export function BringIn({ open, onOpenChange }: { open: boolean; onOpenChange: (open: boolean) => void }) {
    return (
        <Dialog.Root open={open} onOpenChange={onOpenChange}>
            <Dialog.Portal>
                <Dialog.Overlay className="fixed inset-0 z-20 bg-page/70" />
                <Dialog.Content
                    aria-describedby={undefined}
                    className="fixed top-[9vh] left-1/2 z-30 flex h-[78vh] w-[860px] -translate-x-1/2 flex-col rounded border border-rule bg-surface p-4 shadow-pop"
                >
                    <Dialog.Title className="text-[17px] font-semibold">Bring in cuts</Dialog.Title>
                    <Files close={() => onOpenChange(false)} />
                </Dialog.Content>
            </Dialog.Portal>
        </Dialog.Root>
    );
}

type Order = { by: 'name' | 'modified' | 'bytes'; down: boolean };

const compare = ({ by, down }: Order) => {
    const turn = down ? -1 : 1;
    return (a: MediaFile, b: MediaFile) => turn * (a[by] < b[by] ? -1 : a[by] > b[by] ? 1 : 0) || b.bytes - a.bytes;
};

interface Outcome {
    state: 'reading' | 'done' | 'failed';
    text?: string;
}

function Files({ close }: { close: () => void }) {
    const client = useQueryClient();
    const [text, setText] = useState('');
    // Of many files only the newest come at once: the server looks through all of them.
    const searched = useDeferredValue(text.trim());
    const newest = useQuery({ queryKey: keys.media(''), queryFn: () => api.media(), staleTime: 0 });
    const isPart = (newest.data?.found ?? 0) > (newest.data?.files.length ?? 0);
    const found = useQuery({
        queryKey: keys.media(searched),
        queryFn: () => api.media(searched),
        enabled: isPart && searched !== '',
        placeholderData: (old) => old,
    });
    const { data, error } = isPart && searched !== '' && found.data !== undefined ? found : newest;
    const [order, setOrder] = useState<Order>({ by: 'modified', down: true });
    const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
    const [outcomes, setOutcomes] = useState<Record<string, Outcome>>({});
    const chooser = useRef<HTMLInputElement>(null);
    const wanted = text.trim().toLowerCase();
    const files = (data?.files ?? [])
        .filter((file) => `${file.folder}/${file.name}`.toLowerCase().includes(wanted))
        .sort(compare(order));
    const busy = Object.values(outcomes).some((outcome) => outcome.state === 'reading');
    const largest = Math.max(0, ...files.filter((file) => file.kind === 'video').map((file) => file.bytes));

    const choose = (file: MediaFile) => {
        const next = new Set(chosen);
        if (!next.delete(file.path)) {
            next.add(file.path);
        }
        setChosen(next);
    };

    /** One after the other: each is read by itself, and what one of them is does not hold up the rest. */
    const bring = async (paths: string[]) => {
        for (const path of paths) {
            setOutcomes((all) => ({ ...all, [path]: { state: 'reading' } }));
            const outcome: Outcome = await api.bringIn(path).then(
                () => ({ state: 'done' }),
                (problem: Error) => ({ state: 'failed', text: problem.message }),
            );
            setOutcomes((all) => ({ ...all, [path]: outcome }));
            setChosen((all) => new Set([...all].filter((other) => other !== path)));
        }
        for (const queryKey of [keys.cuts(), keys.media(), keys.runs()]) {
            client.invalidateQueries({ queryKey });
        }
    };

    const failed = Object.entries(outcomes).filter(([, outcome]) => outcome.state === 'failed');
    return (
        <>
            <p className="mt-1 mb-3 truncate text-[13px] text-soft" title={data?.folders.join('\n')}>
                From {data?.folders.join(', ') ?? '…'}. Files stay where they are.
            </p>
            <div className="mb-3 flex gap-2">
                <input
                    type="search"
                    value={text}
                    onChange={(event) => setText(event.target.value)}
                    placeholder="Part of a file’s or folder’s name"
                    aria-label="Find a file"
                    className="h-7 flex-1 rounded border border-line bg-page px-2.5 text-[13px] placeholder:text-faint"
                />
                <input
                    ref={chooser}
                    type="file"
                    multiple
                    className="hidden"
                    aria-label="Files of this computer"
                    onChange={(event) => {
                        sendFiles(event.target.files ?? []);
                        close();
                    }}
                />
                <Button onClick={() => chooser.current?.click()}>Send from this computer …</Button>
            </div>
            {data !== undefined && data.found > data.files.length && (
                <p className="mb-1 text-[13px] text-soft">
                    The newest <Figures text={data.files.length.toLocaleString('en')} /> of{' '}
                    <Figures text={data.found.toLocaleString('en')} /> files. Search to find the others.
                </p>
            )}
            {error && <Trouble message={error.message} />}
            {failed.map(([path, outcome]) => (
                <Trouble key={path} message={`${path.split('/').at(-1)}: ${outcome.text}`} />
            ))}
            <div className="mt-1 min-h-0 flex-1 overflow-y-auto border-t-2 border-rule text-[13px]">
                <table className="w-full table-fixed">
                    <thead className="sticky top-0 z-1 bg-surface">
                        <tr className="border-b border-rule text-soft">
                            <th scope="col" className="w-8">
                                <span className="sr-only">Chosen</span>
                            </th>
                            <Head by="name" label="File" order={order} setOrder={setOrder} className="" />
                            <Head
                                by="modified"
                                label="Changed"
                                order={order}
                                setOrder={setOrder}
                                className="w-[130px] text-right"
                            />
                            <Head
                                by="bytes"
                                label="File size"
                                order={order}
                                setOrder={setOrder}
                                className="w-[90px] text-right"
                            />
                            <th scope="col" className="w-[160px]">
                                <span className="sr-only">State</span>
                            </th>
                        </tr>
                    </thead>
                    <tbody>
                        {files.map((file) => (
                            <FileRow
                                key={file.path}
                                file={file}
                                chosen={chosen.has(file.path)}
                                outcome={outcomes[file.path]}
                                below={belowOf(file, data?.folders ?? [])}
                                largest={file.bytes === largest && files.length > 2}
                                choose={() => choose(file)}
                                bring={() => bring([file.path])}
                                busy={busy}
                            />
                        ))}
                    </tbody>
                </table>
                {data && files.length === 0 && (
                    <p className="py-6 text-center text-faint">
                        {data.files.length === 0
                            ? 'The media folders are empty.'
                            : 'There is no such file in the media folders.'}
                    </p>
                )}
            </div>
            <div className="mt-3 flex items-center justify-end gap-2">
                <Button onClick={close}>Close</Button>
                <Button
                    kind="primary"
                    disabled={chosen.size === 0 || busy}
                    title={chosen.size === 0 ? 'Choose a file first' : undefined}
                    onClick={() => bring([...chosen])}
                >
                    {busy ? 'Reading …' : chosen.size < 2 ? 'Bring in' : `Bring in ${chosen.size} files`}
                </Button>
            </div>
        </>
    );
}

function belowOf(file: MediaFile, folders: string[]): string {
    const root = folders.find((folder) => file.folder === folder || file.folder.startsWith(`${folder}/`));
    return root === undefined ? (file.folder.split('/').at(-1) ?? '') : file.folder.slice(root.length + 1);
}

interface HeadProps {
    by: Order['by'];
    label: string;
    order: Order;
    setOrder: (order: Order) => void;
    className: string;
}

function Head({ by, label, order, setOrder, className }: HeadProps) {
    const mine = order.by === by;
    return (
        <th
            scope="col"
            aria-sort={mine ? (order.down ? 'descending' : 'ascending') : 'none'}
            className={`h-[30px] ${className}`}
        >
            <button
                type="button"
                className="inline-flex items-center gap-1 hover:text-ink"
                // Dates and sizes begin with the newest and the largest: that is what is looked for.
                onClick={() => setOrder({ by, down: mine ? !order.down : by !== 'name' })}
            >
                {label}
                {mine && (order.down ? <ArrowDown size={12} /> : <ArrowUp size={12} />)}
            </button>
        </th>
    );
}

interface RowProps {
    file: MediaFile;
    chosen: boolean;
    outcome: Outcome | undefined;
    /** Folder below the media folder that it lies in. */
    below: string;
    largest: boolean;
    choose: () => void;
    bring: () => void;
    busy: boolean;
}

function FileRow({ file, chosen, outcome, below, largest, choose, bring, busy }: RowProps) {
    const video = file.kind === 'video';
    const taken = file.cut !== null || outcome?.state === 'done';
    return (
        <tr className={`h-9 border-b border-line ${video ? '' : 'text-faint'} ${chosen ? 'bg-rust-wash' : ''}`}>
            <td>
                {video && !taken && (
                    <input
                        type="checkbox"
                        checked={chosen}
                        onChange={choose}
                        aria-label={`Choose ${file.name}`}
                        className="ml-1.5 block accent-rust"
                    />
                )}
            </td>
            <td className="truncate" title={file.path}>
                {file.name}
                {below !== '' && <span className="ml-2 text-[12px] text-faint">in {below}</span>}
                {largest && <span className="ml-2 text-[12px] text-faint">the largest</span>}
            </td>
            <td className="text-right text-soft">
                <Figures text={file.modified.slice(0, 16).replace('T', ' ')} />
            </td>
            <td className="text-right">
                <Figures text={file.bytesLabel} />
            </td>
            <td>
                <span className="flex items-center justify-end gap-2">
                    {!video ? (
                        file.kindLabel
                    ) : taken ? (
                        <span className="flex items-center gap-2 text-soft">
                            <Mark kind="done" /> on the shelf
                        </span>
                    ) : outcome?.state === 'reading' ? (
                        <span className="text-soft">Reading …</span>
                    ) : (
                        <Button disabled={busy} onClick={bring} aria-label={`Bring in ${file.name}`}>
                            Bring in
                        </Button>
                    )}
                </span>
            </td>
        </tr>
    );
}
