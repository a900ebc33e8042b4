/** What is looked for among the files that were made; a part that is not there does not matter. */
export interface Sought {
    search?: string;
    preset?: string;
    /** Empty for files that stay here. */
    host?: string;
    /** Days, as in 2026-12-01. */
    from?: string;
    until?: string;
}

const parts = ['search', 'preset', 'host', 'from', 'until'] as const;

/** From the address of the page, so that a search can be kept and shared. */
export const soughtIn = (address: URLSearchParams): Sought =>
    Object.fromEntries(parts.flatMap((part) => (address.has(part) ? [[part, address.get(part)]] : [])));

export const isNarrowed = (sought: Sought) => Object.keys(sought).length > 0;
