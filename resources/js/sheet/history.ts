import type { Draft } from './outputs';

export interface History {
    past: Draft[];
    future: Draft[];
    /** Changes that share a name are one step: the keystrokes in one number field. */
    name: string | null;
}

export const empty: History = { past: [], future: [], name: null };

const MOST = 60;

const place = (cut: number) => `outer-crate/history/${cut}`;

/** The steps that were kept of a sheet, as long as the sheet is still what they lead to. */
export function recall(cut: number, now: Draft): History {
    try {
        const kept = JSON.parse(sessionStorage.getItem(place(cut)) ?? 'null');
        return kept !== null && JSON.stringify(kept.now) === JSON.stringify(now)
            ? { past: kept.past, future: kept.future, name: null }
            : empty;
    } catch {
        return empty;
    }
}

export function keep(cut: number, history: History, now: Draft): void {
    try {
        const past = history.past.slice(-MOST);
        sessionStorage.setItem(place(cut), JSON.stringify({ past, future: history.future.slice(0, MOST), now }));
    } catch {
        // Without room the steps live as long as the page.
    }
}

export function stepped(history: History, before: Draft, name: string | null): History {
    return name !== null && history.name === name
        ? { ...history, future: [] }
        : { past: [...history.past.slice(1 - MOST), before], future: [], name };
}
