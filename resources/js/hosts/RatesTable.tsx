import { Button } from '../ui/Button';
import { readRate, writeRate } from '../ui/rate';
import { at, type Json, put, rows, without } from './draft';
import { LeaveOut } from './LeaveOut';
import { PasteTable } from './PasteTable';
import { Place } from './Place';

interface Props {
    file: Json;
    change: ((file: Json) => void) | null;
}

const path = ['asks', 'bitrates'];

/** Each rate with the fields of its floor and its ceiling. */
const columns = [
    { label: (line: string) => `≤ ${line} fps`, floor: 'kbps', ceiling: 'toKbps' },
    { label: (line: string) => `> ${line} fps`, floor: 'highKbps', ceiling: 'highToKbps' },
    { label: (line: string) => `HDR ≤ ${line}`, floor: 'hdrKbps', ceiling: 'hdrToKbps' },
    { label: (line: string) => `HDR > ${line}`, floor: 'hdrHighKbps', ceiling: 'hdrHighToKbps' },
    { label: () => 'At most', floor: 'peakKbps', ceiling: null },
] as const;

const rateFault = (needed: boolean) => (text: string) => {
    if (text.trim() === '') {
        return needed ? 'A row needs a rate here.' : null;
    }
    const rate = readRate(text);
    return rate === null
        ? 'Write a rate such as 8.5, 8500k or 35–45.'
        : rate.to !== null && rate.to < rate.kbps
          ? 'A range runs upwards.'
          : rate.kbps > 2_000_000
            ? 'Rates end at 2000 Mb/s.'
            : null;
};

const linesFault = (text: string) =>
    /^\d{2,5}$/.test(text.trim()) && Number(text) >= 16 ? null : 'Lines are a whole number from 16 on.';

/** The rates that a host asks for, by lines, class of frame rates and dynamic range; each may be a range. */
export function RatesTable({ file, change }: Props) {
    const list = rows(file, path);
    const line = String(at(file, ['asks', 'highFrameRateAbove']) ?? '30');
    const number = (row: number, field: string) => {
        const value = at(file, [...path, row, field]);
        return typeof value === 'number' ? value : null;
    };
    const written = (row: number, { floor, ceiling }: (typeof columns)[number]) => {
        const low = number(row, floor);
        return low === null ? '' : writeRate(low, ceiling === null ? null : number(row, ceiling));
    };
    // What no row says needs no column where it is only read.
    const shown = columns.filter(
        (column) => change !== null || list.some((_, row) => number(row, column.floor) !== null),
    );
    const set = (next: Json | undefined) => change?.(next ?? {});
    return (
        <div>
            {list.length === 0 ? (
                <p className="py-1 text-soft">
                    No rates are known{change === null ? '.' : ': add a row, or paste a table.'}
                </p>
            ) : (
                <table
                    className="w-full border-t border-line text-right"
                    aria-label="Bitrates that it asks for, in Mb/s"
                >
                    <thead className="text-soft">
                        <tr className="border-b border-line">
                            <th scope="col" className="w-[72px] py-1 text-left">
                                Lines
                            </th>
                            {shown.map((column) => (
                                <th key={column.floor} scope="col" className="pl-2 text-right">
                                    {column.label(line)}
                                </th>
                            ))}
                            {change !== null && <td className="w-6" />}
                        </tr>
                    </thead>
                    <tbody>
                        {list.map((_, row) => (
                            // biome-ignore lint/suspicious/noArrayIndexKey: items have no identity but their position
                            <tr key={row} className="border-b border-line align-top">
                                <td className="py-[3px] text-left">
                                    <Place
                                        label={`Lines of row ${row + 1}`}
                                        value={String(number(row, 'shorterSide') ?? '')}
                                        fault={linesFault}
                                        change={
                                            change &&
                                            ((text) => set(put(file, [...path, row, 'shorterSide'], Number(text))))
                                        }
                                    />
                                </td>
                                {shown.map((column) => (
                                    <td key={column.floor} className="py-[3px] pl-2">
                                        <Place
                                            label={`${column.label(line)} of ${number(row, 'shorterSide') ?? '?'} lines, in Mb/s`}
                                            value={written(row, column)}
                                            fault={rateFault(column.floor === 'kbps')}
                                            className="text-right"
                                            change={
                                                change &&
                                                ((text) => {
                                                    const rate = readRate(text);
                                                    let next = put(file, [...path, row, column.floor], rate?.kbps);
                                                    if (column.ceiling !== null) {
                                                        next = put(
                                                            next,
                                                            [...path, row, column.ceiling],
                                                            rate?.to ?? undefined,
                                                        );
                                                    }
                                                    set(next);
                                                })
                                            }
                                        />
                                    </td>
                                ))}
                                {change !== null && (
                                    <td className="py-[3px]">
                                        <LeaveOut
                                            label={`row ${row + 1}`}
                                            onClick={() => set(put(file, path, without(list, row)))}
                                        />
                                    </td>
                                )}
                            </tr>
                        ))}
                    </tbody>
                </table>
            )}
            {change !== null && (
                <div className="mt-1.5 flex flex-wrap items-center gap-2">
                    <Button
                        className="h-6"
                        onClick={() =>
                            set(put(file, [...path, list.length], { shorterSide: nextLines(list), kbps: 8_000 }))
                        }
                    >
                        Add a row
                    </Button>
                    <PasteTable take={(taken) => set(put(file, path, taken))} />
                    <span className="ml-auto flex items-center gap-1.5 text-soft">
                        high above
                        <span className="w-16">
                            <Place
                                label="Frames a second above which a rate is high"
                                value={line}
                                change={(text) =>
                                    set(put(file, ['asks', 'highFrameRateAbove'], text.trim() || undefined))
                                }
                            />
                        </span>
                        fps
                    </span>
                    <span className="flex items-center gap-1.5 text-soft">
                        HDR ×
                        <span className="w-14">
                            <Place
                                label="Times that it asks more for HDR, where a row says nothing"
                                value={String(at(file, ['asks', 'hdrTimes']) ?? '')}
                                fault={(text) =>
                                    text === '' || Number(text.replace(',', '.')) > 0 ? null : 'A number above 0.'
                                }
                                change={(text) =>
                                    set(
                                        put(
                                            file,
                                            ['asks', 'hdrTimes'],
                                            text === '' ? undefined : Number(text.replace(',', '.')),
                                        ),
                                    )
                                }
                            />
                        </span>
                    </span>
                </div>
            )}
        </div>
    );
}

/** Lines of the next usual class that the table lacks. */
function nextLines(list: Json[]): number {
    const there = new Set(list.map((row) => at(row, ['shorterSide'])));
    return [1080, 2160, 720, 1440, 480, 360, 240].find((lines) => !there.has(lines)) ?? 144;
}
