import { ArrowDown, ArrowUp, Plus } from 'lucide-react';
import { type KeyboardEvent, useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { useShelf } from '../api/queries';
import { Button } from '../ui/Button';
import { Figures } from '../ui/Figures';
import { PickFiles } from '../ui/PickFiles';
import { Blank, Failed, Loading } from '../ui/States';
import { useAddressed } from '../ui/useAddressed';
import { useSettled } from '../ui/useSettled';
import { useTitle } from '../ui/useTitle';
import { DropZone } from '../uploads/DropZone';
import { Sendings } from '../uploads/Sendings';
import { BringIn } from './BringIn';
import { CutRow } from './CutRow';
import { PackSheets } from './PackSheets';
import { TakenOff } from './TakenOff';

/** Columns, with the keys that the API sorts by. */
const columns: readonly { key: string; label: string; className: string }[] = [
    { key: 'name', label: 'Cut', className: 'w-auto' },
    { key: 'frameSize', label: 'Frame size', className: 'w-[168px]' },
    { key: 'frameRate', label: 'Frame rate', className: 'w-[132px]' },
    { key: 'video', label: 'Video codec', className: 'w-[122px]' },
    { key: 'colour', label: 'Colour', className: 'w-[190px] max-[1180px]:hidden' },
    { key: 'audio', label: 'Audio', className: 'w-[165px] max-[1180px]:hidden' },
    { key: 'durationLabel', label: 'Length', className: 'w-[68px] text-right' },
    { key: 'bytesLabel', label: 'File size', className: 'w-[78px] text-right' },
];

/** All cuts. */
export function ShelfPage() {
    useTitle('Shelf');
    const navigate = useNavigate();
    const [query, setQuery] = useSearchParams();
    const [text, setText] = useAddressed('q', query, setQuery);
    const [order, setOrder] = useState<{ key: string; down: boolean } | null>(null);
    const [bringing, setBringing] = useState(false);
    const search = useSettled(text.trim());
    const { data, isError, error, refetch, hasNextPage, fetchNextPage, isFetchingNextPage } = useShelf({
        ...(search === '' ? {} : { search }),
        ...(order === null ? {} : { sort: order.key }),
        ...(order?.down ? { down: '1' } : {}),
    });

    if (isError && data === undefined) {
        return <Failed error={error} retry={() => refetch()} />;
    }
    const [first] = data?.pages ?? [];
    if (data === undefined || first === undefined) {
        return <Loading what="the shelf" />;
    }
    const cuts = data.pages.flatMap((page) => page.cuts);
    const { total: all, found, takenOff } = first;
    return (
        <DropZone>
            <div className="px-5 py-4">
                <div className="mb-3 flex items-center gap-4">
                    <h1 className="text-[20px] leading-6 font-semibold">Shelf</h1>
                    <Figures
                        className="text-[13px] text-soft"
                        text={`${all} ${all === 1 ? 'cut' : 'cuts'}: finished edits, whose files stay where they lie`}
                    />
                    {all > 0 && (
                        <input
                            type="search"
                            value={text}
                            onChange={(event) => setText(event.target.value)}
                            placeholder="Name, file or codec"
                            aria-label="Find a cut"
                            className="ml-auto h-7 w-[220px] rounded border border-line bg-surface px-2.5 text-[13px] placeholder:text-faint"
                        />
                    )}
                    {all === 0 && <span className="ml-auto" />}
                    <TakenOff cuts={takenOff} />
                    {all > 1 && <PackSheets cuts={cuts} unlisted={found - cuts.length} />}
                    <PickFiles
                        label="Compare files …"
                        title="Two or three files of the same picture"
                        taken={[]}
                        least={2}
                        most={3}
                        pick={(files) =>
                            navigate(`/compare/files?${new URLSearchParams(files.map((file) => ['file', file]))}`)
                        }
                    />
                    <Button onClick={() => setBringing(true)}>
                        <Plus size={14} /> Bring in a cut
                    </Button>
                </div>
                <Sendings />
                {all === 0 ? (
                    <Blank
                        within
                        title="The shelf is empty"
                        action={
                            <Button kind="primary" className="h-9" onClick={() => setBringing(true)}>
                                Bring in a cut
                            </Button>
                        }
                    >
                        Bring in a finished cut from your media folders, where it stays and is only read, or drop a file
                        here to send it from this computer.
                    </Blank>
                ) : cuts.length === 0 ? (
                    <Blank
                        within
                        title="No cut is named like that"
                        action={<Button onClick={() => setText('')}>Show all</Button>}
                    >
                        <Figures text={`None of the ${all} cuts has “${text.trim()}” in its name, file or codec.`} />
                    </Blank>
                ) : (
                    <table className="w-full table-fixed border-t-2 border-rule text-[13px]" onKeyDown={moveByArrows}>
                        <thead>
                            <tr className="border-b border-rule text-soft">
                                {columns.map((column) => (
                                    <th
                                        key={column.key}
                                        scope="col"
                                        aria-sort={
                                            order?.key === column.key
                                                ? order.down
                                                    ? 'descending'
                                                    : 'ascending'
                                                : 'none'
                                        }
                                        className={`h-[30px] px-2 first:pl-0 last:pr-0 ${column.className}`}
                                    >
                                        <button
                                            type="button"
                                            className="inline-flex items-center gap-1 hover:text-ink"
                                            onClick={() => setOrder(next(order, column.key))}
                                        >
                                            {column.label}
                                            {order?.key === column.key &&
                                                (order.down ? <ArrowDown size={12} /> : <ArrowUp size={12} />)}
                                        </button>
                                    </th>
                                ))}
                            </tr>
                        </thead>
                        <tbody>
                            {cuts.map((cut) => (
                                <CutRow key={cut.id} cut={cut} />
                            ))}
                        </tbody>
                    </table>
                )}
                {hasNextPage && (
                    <div className="mt-3 flex items-center gap-3 text-[13px]">
                        <Button kind="quiet" disabled={isFetchingNextPage} onClick={() => fetchNextPage()}>
                            Show more
                        </Button>
                        <Figures className="text-soft" text={`Showing ${cuts.length} of ${found} cuts`} />
                    </div>
                )}
                <BringIn open={bringing} onOpenChange={setBringing} />
            </div>
        </DropZone>
    );
}

/** Rising, falling, then the shelf's own order again. */
function next(order: { key: string; down: boolean } | null, key: string) {
    if (order?.key !== key) {
        return { key, down: false };
    }
    return order.down ? null : { key, down: true };
}

function moveByArrows(event: KeyboardEvent) {
    if (event.key !== 'ArrowDown' && event.key !== 'ArrowUp') {
        return;
    }
    const links = [...event.currentTarget.querySelectorAll<HTMLAnchorElement>('tbody a')];
    const at = links.indexOf(document.activeElement as HTMLAnchorElement);
    const link = links[event.key === 'ArrowDown' ? at + 1 : at - 1];
    if (at >= 0 && link !== undefined) {
        event.preventDefault();
        link.focus();
    }
}
