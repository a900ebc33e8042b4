import { useState } from 'react';

/**
 * Something that is kept while the window lives, so that leaving a page loses nothing of it.
 *
 * @param empty what there is to begin with; it is not kept
 */
export function useKept<T>(place: string, empty: T) {
    const [kept, set] = useState<T>(() => {
        try {
            return JSON.parse(sessionStorage.getItem(place) ?? 'null') ?? empty;
        } catch {
            return empty;
        }
    });
    const keep = (next: T) => {
        set(next);
        try {
            next === empty ? sessionStorage.removeItem(place) : sessionStorage.setItem(place, JSON.stringify(next));
        } catch {
            // Without room it lives as long as the page.
        }
    };
    return [kept, keep] as const;
}
