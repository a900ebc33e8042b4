import type { ComponentType } from 'react';
import type { Cut, Plan } from '../api/types';
import type { CellName, Rule } from '../sheet/outputs';

/** What an editor of its own is given. */
export interface EditorProps {
    plan: Plan;
    /** What the person changed in the cell; null where nothing was. */
    rule: Rule | null;
    /** Changes that share a step are undone together. */
    edit: (rule: Rule | null, step?: string | null) => void;
    close: () => void;
}

/**
 * What a cell has on the page beyond what every cell has: a list of rules and a control for each named value, both as the server
 * offers them. A folder of `cells/` that exports one as `cell` is known; nothing else on the page knows cells by name.
 */
export interface CellLook {
    name: CellName;
    /** In place of list and controls. */
    Editor?: ComponentType<EditorProps>;
    /** Above the controls. */
    Drawing?: ComponentType<{ cut: Cut; plan: Plan }>;
    /** Below the controls. */
    Footer?: ComponentType<{ plan: Plan }>;
    /** Of the editor of its own, in pixels. */
    width?: (plan: Plan) => number;
}

const folders = import.meta.glob<{ cell: CellLook }>('./*/cell.ts{,x}', { eager: true });

/** Looks by cell, from the modules of their folders; a cell without a folder looks as every cell does. */
export function gather(modules: Record<string, { cell: CellLook }>): (cell: CellName) => CellLook {
    const looks = new Map(Object.values(modules).map(({ cell }) => [cell.name, cell]));
    return (cell) => looks.get(cell) ?? { name: cell };
}

export const lookOf = gather(folders);
