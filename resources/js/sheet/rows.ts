import type { Choices, Plan } from '../api/types';
import { type CellName, canChange, type Output } from './outputs';

/** A row of the sheet as the server names it. */
export type Cell = Choices['cells'][number];

export type Part = Cell['parts'][number];

/** A row of the sheet: a cell, or one named value of a cell's rule. */
export interface Row {
    cell: CellName;
    label: string;
    part: Part | null;
    /** More rows belong to it than are shown. */
    folds: boolean;
}

/** The named values that have rows of their own when a cell is unfolded; the others are its list's own business. */
const shownParts = (cell: Cell) => cell.parts.filter((part) => part.key !== 'exact');

/** Rows in the server's order. Named values are shown where their cell is unfolded, or where someone uses them. */
export function rowsOf(cells: readonly Cell[], unfolded: readonly CellName[] | 'all', outputs: Output[]): Row[] {
    return cells.flatMap((cell) => {
        const name = cell.name as CellName;
        const all = shownParts(cell);
        const shown = all.filter(
            (part) =>
                unfolded === 'all' || unfolded.includes(name) || outputs.some((output) => uses(output, name, part)),
        );
        return [
            { cell: name, label: cell.label, part: null, folds: all.length > 0 },
            ...shown.map((part) => ({ cell: name, label: part.label, part, folds: false })),
        ];
    });
}

function uses(output: Output, cell: CellName, part: Part): boolean {
    const rule = output.edits[cell];
    return typeof rule === 'object' && rule !== null && (rule as Record<string, unknown>)[part.key] != null;
}

/** What a row says of an output, as text. */
export function textOf(plan: Plan, row: Row): string {
    const value = plan.values[row.cell];
    if (row.part === null) {
        return value.label;
    }
    if (!canChange(plan, row.cell)) {
        return '–';
    }
    const own = (value as Record<string, unknown>)[row.part.key] ?? null;
    switch (row.part.kind) {
        case 'options':
            return row.part.options.find((option) => option.value === own)?.label ?? String(own ?? '–');
        case 'switch':
            return own === true ? 'yes' : 'no';
        case 'number':
            return own === null ? '–' : `${rounded(own)} ${row.part.unit}`.trim();
        case 'text':
            return own === null || own === '' ? '–' : String(own);
    }
}

function rounded(value: unknown): string {
    const [numerator = 0, denominator = 1] = String(value).split('/').map(Number);
    return String(Math.round((1000 * numerator) / denominator) / 1000).replace('-', '−');
}
