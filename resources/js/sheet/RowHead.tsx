import { ChevronRight } from 'lucide-react';
import { head } from './looks';
import type { Row } from './rows';

interface Props {
    row: Row;
    open: boolean;
    fold: (() => void) | undefined;
}

/** The name of a row; where more rows belong to it, it folds them open and shut. */
export function RowHead({ row, open, fold }: Props) {
    if (row.part !== null) {
        return (
            <th scope="row" className={`${head} truncate pl-6 text-[12px] font-normal`} title={row.label}>
                {row.label}
            </th>
        );
    }
    return (
        <th scope="row" className={`${head} relative`}>
            {row.folds && fold ? (
                <button
                    type="button"
                    aria-expanded={open}
                    title={open ? 'Hide what is rarely used' : 'Show what is rarely used'}
                    onClick={fold}
                    className="-ml-1 flex w-full items-center rounded text-left hover:text-ink"
                >
                    <span className="pl-1">{row.label}</span>
                    <ChevronRight
                        size={12}
                        className={`ml-auto text-faint transition-transform ${open ? 'rotate-90' : ''}`}
                    />
                </button>
            ) : (
                row.label
            )}
        </th>
    );
}
