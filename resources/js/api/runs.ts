import type { Queue, Run } from './types';

const underWay: readonly Run['state'][] = ['waiting', 'running', 'checking'];

export const isUnderWay = (run: Run) => underWay.includes(run.state);

/**
 * The runs that were known, with what changed since: those under way in their order, then those that are over, the latest first.
 *
 * @param next an answer that holds what changed, and the order of all that is under way
 * @returns null where it tells of a run that nobody knows: all have to be asked for
 */
export function newerRuns(known: Queue, next: Queue): Queue | null {
    const byId = new Map([...known.runs, ...next.runs].map((run) => [run.id, run]));
    const queued = next.order.flatMap((id) => byId.get(id) ?? []);
    if (queued.length < next.order.length) {
        return null;
    }
    // One that ended between the two looks that an answer takes is told in both.
    const order = new Set(next.order);
    const over = [...byId.values()].filter((run) => !order.has(run.id) && !isUnderWay(run) && !run.cleared);
    return { ...next, runs: [...queued, ...over.sort((a, b) => b.id - a.id)] };
}
