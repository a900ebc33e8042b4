import { memo, useState } from 'react';
import type { Cut, Range, Sheet } from '../api/types';
import { Figures } from '../ui/Figures';
import { Popover } from '../ui/Popover';
import { Segments } from '../ui/Segments';
import { spoken } from '../ui/spoken';
import { RangeInputs } from '../viewer/RangeInputs';
import type { Columns } from './useColumns';

interface Props {
    cut: Cut;
    at: string;
    number: number;
    range: Sheet['outputs'][number]['range'] | undefined;
    output: string;
    columns: Columns;
    planning: boolean;
}

/** The frames that an output delivers: the cut's range, or its own. */
export const RangeCell = memo(function RangeCell({ cut, at, number, range, output, columns, planning }: Props) {
    const [open, setOpen] = useState(false);
    const setRange = (own: Range | null) => columns.setRange(output, own);
    if (range === undefined) {
        return <td className="border-b border-l border-line bg-surface px-3 text-faint">…</td>;
    }
    const value = range.whole ? `all · ${range.durationLabel}` : `${range.firstLabel} – ${range.lastLabel}`;
    return (
        <td className="max-w-0 border-b border-l border-line bg-surface p-0">
            <Popover
                open={open}
                onOpenChange={setOpen}
                label={`Range of output ${number}`}
                width={330}
                anchor={
                    <button
                        type="button"
                        data-at={at}
                        tabIndex={-1}
                        aria-label={spoken(`Range of output ${number}: ${value}, ${range.own ? 'its own' : 'follows'}`)}
                        title={`${range.firstLabel} to ${range.lastLabel}, ${range.frames} frames`}
                        onClick={() => setOpen(true)}
                        className={`relative flex h-[29px] w-full items-center gap-2 px-3 text-left hover:bg-sunk focus-visible:bg-rust-wash focus-visible:outline-offset-[-2px] ${open ? 'bg-rust-wash outline-2 outline-offset-[-2px] outline-rust' : ''}`}
                    >
                        {range.own && <span className="absolute left-1 size-[5px] rounded-full bg-rust" />}
                        <Figures
                            className={`truncate ${range.own ? '' : 'text-soft'} ${planning ? 'opacity-50' : ''}`}
                            text={value}
                        />{' '}
                        <span className="ml-auto min-w-0 shrink-[999] truncate pl-1 text-[11.5px] text-faint">
                            {range.own ? 'its own' : 'follows'}
                        </span>
                    </button>
                }
            >
                <div className="mb-3 flex items-center font-medium">
                    Range
                    <Figures
                        className="ml-auto font-normal text-faint"
                        text={`${range.frames} frames · ${range.seconds} s`}
                    />
                </div>
                <Segments
                    label="Range of this output"
                    value={range.own ? 'own' : 'cut'}
                    options={[
                        { value: 'cut', label: 'Follows the cut' },
                        { value: 'own', label: 'Its own' },
                    ]}
                    onChange={(choice) => setRange(choice === 'cut' ? null : { first: range.first, last: range.last })}
                />
                {range.own && (
                    <div className="mt-3 flex gap-4">
                        <RangeInputs cut={cut} range={range} setRange={setRange} />
                    </div>
                )}
            </Popover>
        </td>
    );
});
