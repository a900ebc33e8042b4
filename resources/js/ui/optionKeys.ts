/** Entries that a page key passes. */
const PAGE = 8;

/** Where a key leads in a list of so many; null where it leads nowhere. Ends do not wrap: holding a key stops there. */
export function step(key: string, at: number, count: number): number | null {
    const to = {
        ArrowDown: at + 1,
        ArrowUp: at - 1,
        PageDown: at + PAGE,
        PageUp: at - PAGE,
        Home: 0,
        End: count - 1,
    }[key];
    return to === undefined || count === 0 ? null : Math.min(count - 1, Math.max(0, to));
}

/** The next entry that begins with what was typed: after the current one for a single letter, from it on for more. */
export function typedAhead(labels: readonly string[], typed: string, at: number): number | null {
    const wanted = typed.toLowerCase();
    const from = typed.length === 1 ? at + 1 : at;
    for (let i = 0; i < labels.length; i++) {
        const place = (Math.max(0, from) + i) % labels.length;
        if (labels[place]?.toLowerCase().startsWith(wanted)) {
            return place;
        }
    }
    return null;
}
