/** Selects deliveries. A part that is missing selects all. */
export interface DeliveryFilter {
    search?: string;
    preset?: string;
    /** Empty for files without a host. */
    host?: string;
    /** Days, as in 2026-12-01. */
    from?: string;
    until?: string;
}

const parts = ['search', 'preset', 'host', 'from', 'until'] as const;

/** Reads the filter from the page's address, where it can be bookmarked and shared. */
export const filterFrom = (address: URLSearchParams): DeliveryFilter =>
    Object.fromEntries(parts.flatMap((part) => (address.has(part) ? [[part, address.get(part)]] : [])));

export const isNarrowed = (filter: DeliveryFilter) => Object.keys(filter).length > 0;
