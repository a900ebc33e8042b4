import type { Edits, Plan, Range, Rules, Sheet } from '../api/types';

/** A column of the sheet as it is saved; its plan comes from the server. */
export interface Output {
    key: string;
    preset: string;
    /** Of the preset; null for the newest. */
    version?: number | null;
    host: string | null;
    /** Of the host whose asks were last looked at: said only to take note of the newest. */
    hostVersion?: null;
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

/** Whether what was decided before leaves something to change in a cell. */
export const canChange = (plan: Plan, cell: CellName) => !plan.fixed.includes(cell);

export type Rule = Rules[keyof Rules];

const known = new WeakMap<Sheet['outputs'][number], Output>();

/** An answer that says the same of a column as the one before gives the very same column. */
function outputOf(answered: Sheet['outputs'][number]): Output {
    const { key, plan, range } = answered;
    const output = known.get(answered) ?? {
        key,
        preset: plan.preset,
        version: plan.presetVersion ?? null,
        host: plan.host,
        edits: plan.edits,
        range: range.own ? { first: range.first, last: range.last } : null,
    };
    known.set(answered, output);
    return output;
}

export const outputsOf = (sheet: Sheet): Output[] => sheet.outputs.map(outputOf);

export const draftOf = (sheet: Sheet): Draft => ({
    range: sheet.range.set ? { first: sheet.range.first, last: sheet.range.last } : null,
    outputs: outputsOf(sheet),
});

/** Whether two say the same, in whatever order their rules stand. */
export const same = (one: unknown, other: unknown): boolean => {
    if (typeof one !== 'object' || typeof other !== 'object' || one === null || other === null) {
        return one === other;
    }
    const [mine, theirs] = [one as Record<string, unknown>, other as Record<string, unknown>];
    const keys = new Set([...Object.keys(mine), ...Object.keys(theirs)]);
    return [...keys].every((key) => same(mine[key] ?? null, theirs[key] ?? null));
};

/** Whether two drafts say the same: where one asks for the newest version, any version is that. */
export const sameDraft = (one: Draft, other: Draft): boolean =>
    same(one.range, other.range) &&
    one.outputs.length === other.outputs.length &&
    one.outputs.every((mine, i) => {
        const { version: theirs, hostVersion: _, ...rest } = other.outputs[i] as Output;
        const { version: ours, hostVersion: __, ...own } = mine;
        return same(own, rest) && (ours == null || theirs == null || ours === theirs);
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

/** A cell's rule with one named value said; what was said beside it stays. */
export function withPart(rule: Rule | null | undefined, key: string, value: unknown): Rule {
    const kept = typeof rule === 'string' ? { as: rule } : (rule ?? {});
    return { ...kept, [key]: value } as Rule;
}

/** Whether a choice is the rule that holds: the preset's with what was changed laid over it. A value that only came of it is none. */
export function says(choice: unknown, rule: unknown): boolean {
    if (typeof choice === 'string') {
        return choice === rule || (isObject(rule) && rule.as === choice);
    }
    return isObject(choice) && isObject(rule) && Object.entries(choice).every(([key, value]) => same(rule[key], value));
}

const isObject = (value: unknown): value is Record<string, unknown> => typeof value === 'object' && value !== null;

/** A choice with what was said beside it: the named values that no choice replaces. */
export function chosen(choice: Rule, set: Rule | null, beside: string[]): Rule {
    const kept = isObject(set) ? Object.fromEntries(Object.entries(set).filter(([key]) => beside.includes(key))) : {};
    if (Object.keys(kept).length === 0) {
        return choice;
    }
    return { ...(typeof choice === 'string' ? { as: choice } : choice), ...kept } as Rule;
}

/** Columns with one moved a place to the left (−1) or right (1). */
export function moved(outputs: Output[], key: string, by: number): Output[] {
    const from = outputs.findIndex((output) => output.key === key);
    return placed(outputs, key, from + by);
}

/** Columns with one taken out and put at a place. */
export function placed(outputs: Output[], key: string, place: number): Output[] {
    const output = outputs.find((candidate) => candidate.key === key);
    if (output === undefined || place < 0 || place >= outputs.length) {
        return outputs;
    }
    const others = outputs.filter((candidate) => candidate.key !== key);
    return [...others.slice(0, place), output, ...others.slice(place)];
}
