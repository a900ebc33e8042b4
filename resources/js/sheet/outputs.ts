import type { Edits, Plan, Range, Sheet } from '../api/types';

/** A column of the sheet as it is saved; its plan comes from the server. */
export interface Output {
    key: string;
    preset: string;
    host: string | null;
    edits: Edits;
    /** Of its own; null where it follows the cut's. */
    range: Range | null;
}

/** What is saved of a sheet: everything that a person can change in it. */
export interface Draft {
    /** Null delivers all of the cut. */
    range: Range | null;
    outputs: Output[];
}

export type CellName = keyof Plan['values'];

export const cells: readonly { name: CellName; label: string }[] = [
    { name: 'container', label: 'Box' },
    { name: 'picture', label: 'Picture' },
    { name: 'frameSize', label: 'Frame size' },
    { name: 'frameRate', label: 'Frame rate' },
    { name: 'rate', label: 'Rate' },
    { name: 'keyframes', label: 'Keyframes' },
    { name: 'colour', label: 'Colour' },
    { name: 'sound', label: 'Sound' },
];

export const outputsOf = (sheet: Sheet): Output[] =>
    sheet.outputs.map(({ key, plan, range }) => ({
        key,
        preset: plan.preset,
        host: plan.host,
        edits: plan.edits,
        range: range.own ? { first: range.first, last: range.last } : null,
    }));

export const draftOf = (sheet: Sheet): Draft => ({
    range: sheet.range.set ? { first: sheet.range.first, last: sheet.range.last } : null,
    outputs: outputsOf(sheet),
});

/** The outputs with one cell of one output changed; null puts the preset's rule back. */
export function withEdit(outputs: Output[], key: string, patch: Edits): Output[] {
    return outputs.map((output) => {
        if (output.key !== key) {
            return output;
        }
        const edits = Object.fromEntries(
            Object.entries({ ...output.edits, ...patch }).filter(([, rule]) => rule !== null),
        );
        return { ...output, edits: edits as Edits };
    });
}
