import { useQuery } from '@tanstack/react-query';
import { ChevronRight } from 'lucide-react';
import { useState } from 'react';
import { api } from '../api/client';
import { keys } from '../api/keys';
import { Figures } from '../ui/Figures';
import { Popover } from '../ui/Popover';
import { Trouble } from '../ui/States';
import { head } from './looks';
import type { Row } from './rows';

interface Props {
    cut: number;
    row: Row;
    open: boolean;
    fold: (() => void) | undefined;
}

/** The name of a row, which explains itself; where more rows belong to it, they fold open and shut beside it. */
export function RowHead({ cut, row, open, fold }: Props) {
    if (row.part !== null) {
        return (
            <th scope="row" className={`${head} truncate pl-6 text-[12px] font-normal`} title={row.label}>
                {row.label}
            </th>
        );
    }
    return (
        <th scope="row" className={`${head} relative`}>
            <span className="flex items-center">
                <Explained cut={cut} row={row} />
                {row.folds && fold && (
                    <button
                        type="button"
                        aria-label={`What is rarely used of ${row.label}`}
                        aria-expanded={open}
                        title={open ? 'Hide what is rarely used' : 'Show what is rarely used'}
                        onClick={fold}
                        className="-mr-1.5 ml-auto flex size-5 items-center justify-center rounded text-faint hover:bg-sunk hover:text-ink"
                    >
                        <ChevronRight size={12} className={`transition-transform ${open ? 'rotate-90' : ''}`} />
                    </button>
                )}
            </span>
        </th>
    );
}

function Explained({ cut, row }: { cut: number; row: Row }) {
    const [open, setOpen] = useState(false);
    return (
        <Popover
            open={open}
            onOpenChange={setOpen}
            label={`About ${row.label}`}
            width={340}
            anchor={
                <button
                    type="button"
                    aria-haspopup="dialog"
                    title={`What ${row.label.toLowerCase()} is, and does here`}
                    onClick={() => setOpen(true)}
                    className="rounded text-left decoration-dotted underline-offset-3 hover:text-ink hover:underline"
                >
                    {row.label}
                </button>
            }
        >
            <Explanation cut={cut} row={row} />
        </Popover>
    );
}

function Explanation({ cut, row }: { cut: number; row: Row }) {
    const help = useQuery({ queryKey: keys.help(cut, row.cell), queryFn: () => api.help(cut, row.cell), staleTime: 0 });
    if (help.error) {
        return <Trouble message={help.error.message} />;
    }
    if (help.data === undefined) {
        return <p className="text-soft">…</p>;
    }
    const { label, what, here, wrong } = help.data;
    return (
        <div className="leading-[18px]">
            <div className="mb-1 font-medium">{label}</div>
            <p>{what}</p>
            {here.length > 0 && (
                <ul aria-label="On this cut" className="my-2 rounded bg-sunk px-2.5 py-1.5">
                    {here.map(({ output, text }) => (
                        <li key={output} className="flex gap-2">
                            <span className="figure flex-none text-soft">{output}</span>
                            <Figures text={text} />
                        </li>
                    ))}
                </ul>
            )}
            <p className="text-soft">{wrong}</p>
        </div>
    );
}
