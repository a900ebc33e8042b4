import { useState } from 'react';
import type { CellName } from './outputs';

const place = 'outer-crate/unfolded';

/** The rows whose rarely used values are shown; remembered on this machine. */
export function useUnfolded(): [readonly CellName[], (cell: CellName) => void] {
    const [cells, setCells] = useState<CellName[]>(() => {
        try {
            const kept = JSON.parse(localStorage.getItem(place) ?? '[]');
            return Array.isArray(kept) ? kept : [];
        } catch {
            return [];
        }
    });
    return [
        cells,
        (cell) => {
            const next = cells.includes(cell) ? cells.filter((other) => other !== cell) : [...cells, cell];
            setCells(next);
            localStorage.setItem(place, JSON.stringify(next));
        },
    ];
}
