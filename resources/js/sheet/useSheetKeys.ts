import { type KeyboardEvent, type RefObject, useState } from 'react';
import type { Plan } from '../api/types';
import { freshKey } from '../ui/freshKey';
import { clipboard, copy } from './clipboard';
import { type CellName, moved, type Output, withEdit } from './outputs';
import { type Cell, type Row, textOf } from './rows';

interface Sheet {
    table: RefObject<HTMLTableElement | null>;
    cells: readonly Cell[];
    rows: Row[];
    /** Columns that are shown, and all of them. */
    shown: Output[];
    outputs: Output[];
    plans: Map<string, Plan>;
    change: (outputs: Output[], name?: string | null) => void;
}

/** Rows that a page key passes. */
const PAGE = 5;

/** Range, above the rows, and the four results below them. */
const FIRST = -1;
const RESULTS = 4;

const steps: Record<string, [number, number]> = {
    ArrowUp: [-1, 0],
    ArrowDown: [1, 0],
    ArrowLeft: [0, -1],
    ArrowRight: [0, 1],
};

/**
 * The keyboard of the sheet, as in any table of cells: arrows move, Ctrl C and Ctrl V copy a cell across columns, or a whole
 * column from its head; Delete puts a cell back or takes a column away; Alt with an arrow moves a column.
 *
 * @returns the handler, and what the last key did, in words
 */
export function useSheetKeys({ table, cells, rows, shown, outputs, plans, change }: Sheet) {
    const [said, setSaid] = useState('');

    const focus = (row: number, column: number) => {
        const next = table.current?.querySelector<HTMLElement>(`[data-at="${row},${column}"]`);
        next?.focus();
        return next != null;
    };

    const onKey = (event: KeyboardEvent) => {
        const target = event.target instanceof HTMLElement ? event.target : null;
        const place = target?.dataset.at?.split(',').map(Number);
        const [row = 0, column = 0] = place ?? [];
        const output = shown[column];
        if (place === undefined || output === undefined) {
            return;
        }
        const step = steps[event.key];
        const command = event.ctrlKey || event.metaKey;
        if (step !== undefined && event.altKey && step[0] === 0) {
            event.preventDefault();
            change(moved(outputs, output.key, step[1]), null);
            window.setTimeout(() => focus(row, column + step[1]), 0);
        } else if (step !== undefined && !command && !event.altKey) {
            event.preventDefault();
            focus(row + step[0], column + step[1]);
        } else if (ends(event) !== null) {
            event.preventDefault();
            const [to, at] = ends(event) ?? [0, 0];
            focus(Math.max(FIRST, Math.min(rows.length + RESULTS - 1, row + to)), at ?? column);
        } else if (command && event.key.toLowerCase() === 'c') {
            event.preventDefault();
            copyFrom(row, output);
        } else if (command && event.key.toLowerCase() === 'v') {
            event.preventDefault();
            pasteTo(row, output);
        } else if (event.key === 'Delete' || event.key === 'Backspace') {
            event.preventDefault();
            clear(row, output);
        }
    };

    /** Home and End lead to the ends of a row, with Ctrl to those of the sheet; the page keys pass rows (WAI-ARIA, grid pattern). */
    const ends = (event: KeyboardEvent): [number, number | null] | null => {
        const last = shown.length - 1;
        const far = event.ctrlKey ? rows.length + RESULTS : 0;
        switch (event.key) {
            case 'Home':
                return [-far, 0];
            case 'End':
                return [far, last];
            case 'PageUp':
                return [-PAGE, null];
            case 'PageDown':
                return [PAGE, null];
            default:
                return null;
        }
    };

    const copyFrom = (at: number, output: Output) => {
        const plan = plans.get(output.key);
        const row = rows[at];
        if (at === -2 && plan !== undefined) {
            copy(
                { kind: 'column', output },
                cells.map(({ name, label }) => `${label}\t${plan.values[name as CellName].label}`).join('\n'),
            );
            setSaid(`Copied the column ${plan.presetName}.`);
        } else if (row !== undefined && plan !== undefined) {
            copy(
                { kind: 'cell', cell: row.cell, rule: plan.rules[row.cell] ?? null },
                textOf(plan, { ...row, part: null }),
            );
            setSaid(`Copied ${plan.values[row.cell].label}.`);
        }
    };

    const pasteTo = (at: number, output: Output) => {
        const copied = clipboard();
        const row = rows[at];
        if (copied?.kind === 'column') {
            const place = outputs.indexOf(output) + 1;
            const added = { ...copied.output, key: freshKey() };
            change([...outputs.slice(0, place), added, ...outputs.slice(place)]);
            setSaid('Pasted the column.');
        } else if (copied?.kind === 'cell' && row?.cell === copied.cell) {
            change(withEdit(outputs, output.key, { [copied.cell]: copied.rule }));
            setSaid('Pasted.');
        } else if (copied?.kind === 'cell') {
            setSaid(`What was copied belongs in the row ${cells.find(({ name }) => name === copied.cell)?.label}.`);
        }
    };

    const clear = (at: number, output: Output) => {
        const row = rows[at];
        if (at === -2) {
            const column = shown.indexOf(output);
            change(outputs.filter((other) => other.key !== output.key));
            window.setTimeout(() => focus(-2, Math.min(column, shown.length - 2)), 0);
            setSaid('Removed the column. Ctrl Z brings it back.');
        } else if (row !== undefined && output.edits[row.cell] !== undefined) {
            change(withEdit(outputs, output.key, { [row.cell]: null }));
            setSaid('Put the preset’s rule back.');
        }
    };

    return { onKey, said };
}
