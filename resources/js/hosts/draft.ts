/** A host file as it is worked on: any part of it may be missing or half typed; the server says what is wrong with it. */
export type Json = string | number | boolean | null | Json[] | { [key: string]: Json };

export type Path = readonly (string | number)[];

const isGroup = (value: Json | undefined): value is { [key: string]: Json } =>
    typeof value === 'object' && value !== null && !Array.isArray(value);

/** What stands at a place; undefined where nothing does. */
export function at(file: Json | undefined, path: Path): Json | undefined {
    let value = file;
    for (const step of path) {
        value = Array.isArray(value) ? value[Number(step)] : isGroup(value) ? value[String(step)] : undefined;
    }
    return value;
}

/** The file with a place said anew; undefined, and a group that says nothing any more, are left out. */
export function put(file: Json | undefined, path: Path, value: Json | undefined): Json | undefined {
    const [step, ...rest] = path;
    if (step === undefined) {
        return value;
    }
    if (typeof step === 'number') {
        const list = Array.isArray(file) ? file : [];
        const next = [...list];
        next[step] = put(list[step], rest, value) ?? {};
        return next;
    }
    const group = isGroup(file) ? file : {};
    const within = put(group[step], rest, value);
    const isEmpty = within === undefined || (rest.length > 0 && isGroup(within) && Object.keys(within).length === 0);
    // The asks themselves are always there.
    if (isEmpty && step !== 'asks') {
        return Object.fromEntries(Object.entries(group).filter(([key]) => key !== step));
    }
    return { ...group, [step]: within ?? {} };
}

/** The rows of a table that stands at a place. */
export const rows = (file: Json | undefined, path: Path): Json[] => {
    const value = at(file, path);
    return Array.isArray(value) ? value : [];
};

export const without = (list: Json[], index: number) => list.filter((_, i) => i !== index);
