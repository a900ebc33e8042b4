import { useMemo } from 'react';
import type { Edits, Range } from '../api/types';
import { freshKey } from '../ui/freshKey';
import { useStable } from '../ui/useStable';
import { type Output, placed, withEdit } from './outputs';

/** What can be done with a column, by its key; the same from render to render, so that a change draws one column anew and not all. */
export type Columns = ReturnType<typeof useColumns>;

export function useColumns(outputs: Output[], change: (outputs: Output[], name?: string | null) => void) {
    const edit = useStable((key: string, patch: Edits, name: string | null = null) =>
        change(withEdit(outputs, key, patch), name),
    );
    /** A remedy changes cells, or takes another preset. */
    const remedy = useStable(
        (key: string, { patch, preset, acceptHost }: { patch: Edits; preset?: string; acceptHost?: boolean }) =>
            change(
                withEdit(outputs, key, patch).map((output) =>
                    output.key === key
                        ? {
                              ...output,
                              ...(preset === undefined ? {} : { preset, version: null }),
                              ...(acceptHost ? { hostVersion: null } : {}),
                          }
                        : output,
                ),
            ),
    );
    /** Another preset in its place, the newest version of it; what was changed by hand is kept or let go. */
    const swap = useStable((key: string, preset: string, host: string | null, kept: boolean) =>
        change(
            outputs.map((output) =>
                output.key === key
                    ? { ...output, preset, version: null, host, edits: kept ? output.edits : {} }
                    : output,
            ),
        ),
    );
    const remove = useStable((key: string) => change(outputs.filter((output) => output.key !== key)));
    const duplicate = useStable((key: string) =>
        change(outputs.flatMap((output) => (output.key === key ? [output, { ...output, key: freshKey() }] : [output]))),
    );
    const drop = useStable((key: string, onto: string) =>
        change(
            placed(
                outputs,
                key,
                outputs.findIndex((output) => output.key === onto),
            ),
        ),
    );
    const setRange = useStable((key: string, range: Range | null) =>
        change(outputs.map((output) => (output.key === key ? { ...output, range } : output))),
    );
    const add = useStable((preset: string, host: string | null) =>
        change([...outputs, { key: freshKey(), preset, version: null, host, edits: {}, range: null }]),
    );
    return useMemo(
        () => ({ edit, remedy, swap, remove, duplicate, drop, setRange, add }),
        [edit, remedy, swap, remove, duplicate, drop, setRange, add],
    );
}
