import { describe, expect, it } from 'vitest';
import { newerRuns } from '../../resources/js/api/runs';
import type { Queue, Run } from '../../resources/js/api/types';

const run = (id: number, state: Run['state'], more: Partial<Run> = {}) =>
    ({ id, state, cleared: false, ...more }) as Run;

const list = (order: number[], runs: Run[], at = '1') => ({ at, order, runs }) as Queue;

const told = (answer: Queue | null) => answer?.runs.map(({ id, state }) => `${id} ${state}`);

describe('what is known of the runs, and what changed since', () => {
    const known = list(
        [1, 2, 3],
        [run(1, 'running'), run(2, 'waiting'), run(3, 'waiting'), run(9, 'done'), run(8, 'failed')],
    );

    it('keeps what did not change, and takes the order of the answer', () => {
        const next = newerRuns(known, list([1, 3, 2], [run(1, 'running', { percent: 50 })], '2'));
        expect(told(next)).toEqual(['1 running', '3 waiting', '2 waiting', '9 done', '8 failed']);
        expect(next?.at).toBe('2');
        expect(next?.runs[0]?.percent).toBe(50);
    });

    it('puts what ended among what is over', () => {
        expect(told(newerRuns(known, list([2, 3], [run(1, 'done')])))).toEqual([
            '2 waiting',
            '3 waiting',
            '9 done',
            '8 failed',
            '1 done',
        ]);
    });

    it('tells a run once that ended between the two looks of an answer', () => {
        expect(told(newerRuns(known, list([1, 2, 3], [run(1, 'stopped')])))).toEqual([
            '1 stopped',
            '2 waiting',
            '3 waiting',
            '9 done',
            '8 failed',
        ]);
    });

    it('forgets what was cleared, and what was deleted while it waited', () => {
        expect(told(newerRuns(known, list([1, 3], [run(9, 'done', { cleared: true })])))).toEqual([
            '1 running',
            '3 waiting',
            '8 failed',
        ]);
    });

    it('asks for all where a run is new that it was not told of', () => {
        expect(newerRuns(known, list([1, 2, 3, 4], []))).toBeNull();
        expect(told(newerRuns(known, list([1, 2, 3, 4], [run(4, 'waiting')])))?.[3]).toBe('4 waiting');
    });
});
