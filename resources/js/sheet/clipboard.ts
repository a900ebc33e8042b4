import type { PresetList } from '../api/types';
import type { CellName, Output, Rule } from './outputs';

type Preset = PresetList['presets'][number];

/** What was copied from the sheet last: the rule of a cell, or a whole column. */
export type Copied = { kind: 'cell'; cell: CellName; rule: Rule | null } | { kind: 'column'; output: Output };

let copied: Copied | null = null;

export const clipboard = () => copied;

/** @param text goes to the system's clipboard, for other programs */
export function copy(what: Copied, text: string): void {
    copied = what;
    navigator.clipboard?.writeText(text).catch(() => undefined);
}

/** The rule that a cell has: the preset's with what was changed laid over it; null where neither says anything. */
export function ruleOf(output: Output, cell: CellName, presets: Preset[] | undefined): Rule | null {
    const edit = (output.edits[cell] ?? null) as Rule | null;
    const below = (presets?.find((preset) => preset.slug === output.preset)?.rules[cell] ?? null) as Rule | null;
    return typeof edit === 'object' && edit !== null && typeof below === 'object' && below !== null
        ? ({ ...below, ...edit } as Rule)
        : (edit ?? below);
}
