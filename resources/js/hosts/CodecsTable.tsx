import { useChoices } from '../api/queries';
import { Button } from '../ui/Button';
import { at, type Json, put, rows, without } from './draft';
import { LeaveOut } from './LeaveOut';
import { Place } from './Place';

interface Props {
    file: Json;
    change: ((file: Json) => void) | null;
}

const path = ['asks', 'codecs'];

/** The video codecs that a host takes, the preferred one first. */
export function CodecsTable({ file, change }: Props) {
    const known = useChoices().data?.codecs ?? {};
    const codecs = Object.keys(known);
    const list = rows(file, path);
    const text = (row: number, field: string) => String(at(file, [...path, row, field]) ?? '');
    const set = (next: Json | undefined) => change?.(next ?? {});
    if (list.length === 0 && change === null) {
        return <p className="py-1 text-soft">Any video codec.</p>;
    }
    return (
        <table className="w-full table-fixed border-t border-line" aria-label="Video codecs that it takes">
            <thead className="text-soft">
                <tr className="border-b border-line">
                    <th scope="col" className="w-[132px] py-1">
                        Video codec
                    </th>
                    <th scope="col">Profile</th>
                    <th scope="col">Wider than</th>
                    {change !== null && <td className="w-6" />}
                </tr>
            </thead>
            <tbody>
                {list.map((_, row) => (
                    // biome-ignore lint/suspicious/noArrayIndexKey: items have no identity but their position
                    <tr key={row} className="border-b border-line">
                        <td className="py-[3px] pr-2">
                            <Place
                                label={`Video codec ${row + 1}`}
                                value={text(row, 'codec')}
                                choices={codecs}
                                called={(id) => known[id]?.name ?? id}
                                change={
                                    change && ((value) => set(put(file, [...path, row, 'codec'], value || undefined)))
                                }
                            />
                        </td>
                        <td className="py-[3px] pr-2">
                            <Place
                                label={`Profile of video codec ${row + 1}`}
                                value={text(row, 'profile')}
                                placeholder="any"
                                change={
                                    change &&
                                    ((value) => set(put(file, [...path, row, 'profile'], value.trim() || undefined)))
                                }
                            />
                        </td>
                        <td className="py-[3px]">
                            <Place
                                label={`Width above which video codec ${row + 1} is asked`}
                                value={text(row, 'aboveWidth')}
                                placeholder="any width"
                                fault={(value) => (/^\d{0,5}$/.test(value.trim()) ? null : 'A width in pixels.')}
                                change={
                                    change &&
                                    ((value) =>
                                        set(
                                            put(
                                                file,
                                                [...path, row, 'aboveWidth'],
                                                value.trim() === '' ? undefined : Number(value),
                                            ),
                                        ))
                                }
                            />
                        </td>
                        {change !== null && (
                            <td>
                                <LeaveOut
                                    label={`video codec ${row + 1}`}
                                    onClick={() => set(put(file, path, without(list, row)))}
                                />
                            </td>
                        )}
                    </tr>
                ))}
                {change !== null && (
                    <tr>
                        <td colSpan={4} className="py-1.5">
                            <Button
                                className="h-6"
                                onClick={() => set(put(file, [...path, list.length], { codec: 'h264' }))}
                            >
                                Add a video codec
                            </Button>
                        </td>
                    </tr>
                )}
            </tbody>
        </table>
    );
}
