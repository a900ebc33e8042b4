import type { CellName, Output, Rule } from './outputs';

/** What was copied from the sheet last: the rule of a cell, or a whole column. */
export type Copied = { kind: 'cell'; cell: CellName; rule: Rule | null } | { kind: 'column'; output: Output };

let copied: Copied | null = null;

export const clipboard = () => copied;

/** @param text goes to the system's clipboard, for other programs */
export function copy(what: Copied, text: string): void {
    copied = what;
    navigator.clipboard?.writeText(text).catch(() => undefined);
}
