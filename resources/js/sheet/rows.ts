import type { Choices, Plan } from '../api/types';
import { type CellName, cells, isAbsent, type Output } from './outputs';

export type Part = Choices['parts'][string][number];

/** A row of the sheet: a cell, or one named value of a cell's rule. */
export interface Row {
    cell: CellName;
    label: string;
    part: Part | null;
    /** More rows belong to it than are shown. */
    folds: boolean;
}

/** The named values that have rows of their own when a cell is unfolded; the others are its list's own business. */
const shownParts = (parts: Part[] | undefined) => parts?.filter((part) => part.key !== 'exact') ?? [];

/** Rows in their order. Named values are shown where their cell is unfolded, or where someone uses them. */
export function rowsOf(parts: Choices['parts'] | undefined, unfolded: readonly CellName[], outputs: Output[]): Row[] {
    return cells.flatMap(({ name, label }) => {
        const all = shownParts(parts?.[name]);
        const shown = all.filter(
            (part) => unfolded.includes(name) || outputs.some((output) => uses(output, name, part)),
        );
        return [
            { cell: name, label, part: null, folds: all.length > 0 },
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
    if (isAbsent(plan, row.cell) || (row.cell === 'keyframes' && plan.values.keyframes.frames === 1)) {
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
