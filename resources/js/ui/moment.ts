/** A time as people read it: 26 Nov 2026, 09:34; empty where there is none. */
export const moment = (iso: string | null) =>
    iso === null ? '' : new Date(iso).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' });
