import { sameDraft as alike, type Draft, same } from './outputs';

export interface History {
    past: Draft[];
    future: Draft[];
    /** Changes that share a name are one step: the keystrokes in one number field. */
    name: string | null;
}

export const empty: History = { past: [], future: [], name: null };

const MOST = 60;

const place = (cut: number) => `outer-crate/history/${cut}`;

interface Kept {
    past: Draft[];
    future: Draft[];
    now: Draft;
    /** The server has answered what is now. */
    saved: boolean;
}

function kept(cut: number): Kept | null {
    try {
        return JSON.parse(sessionStorage.getItem(place(cut)) ?? 'null');
    } catch {
        return null;
    }
}

/** The steps that were kept of a sheet, as long as the sheet is still what they lead to. */
export function recall(cut: number, now: Draft): History {
    const steps = kept(cut);
    return steps !== null && alike(steps.now, now) ? { past: steps.past, future: steps.future, name: null } : empty;
}

/**
 * A change that was sent when the page was left, where the new page was answered before it arrived: the sheet is still at one of the
 * steps around it.
 */
export function overtaken(cut: number, now: Draft): { history: History; draft: Draft } | null {
    const steps = kept(cut);
    return steps !== null && !steps.saved && [...steps.past, ...steps.future].some((step) => alike(step, now))
        ? { history: { past: steps.past, future: steps.future, name: null }, draft: steps.now }
        : null;
}

export function keep(cut: number, history: History, now: Draft, saved = false): void {
    try {
        const past = history.past.slice(-MOST);
        const steps: Kept = { past, future: history.future.slice(0, MOST), now, saved };
        sessionStorage.setItem(place(cut), JSON.stringify(steps));
    } catch {
        // Without room the steps live as long as the page.
    }
}

/** What is now has arrived. */
export function arrived(cut: number, now: Draft): void {
    const steps = kept(cut);
    if (steps !== null && alike(steps.now, now)) {
        keep(cut, { ...steps, name: null }, now, true);
    }
}

export function stepped(history: History, before: Draft, name: string | null): History {
    return name !== null && history.name === name
        ? { ...history, future: [] }
        : { past: [...history.past.slice(1 - MOST), before], future: [], name };
}

/** Name of a change that takes back what was typed into a field. */
export const cancelling = 'cancel';

/** The steps without those that came after what a cancelled change goes back to; a step of its own where that is none of them. */
export function withdrawn(history: History, before: Draft, back: Draft): History {
    const at = history.past.findLastIndex((step) => same(step, back));
    return at < 0
        ? stepped(history, before, null)
        : { past: history.past.slice(0, at), future: history.future, name: null };
}
