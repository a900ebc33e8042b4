import { queryOptions } from '@tanstack/react-query';
import { api } from '../api/client';
import { keys } from '../api/keys';
import type { Weighing } from './Weights';

/** The newest test of a cut, judged by what counts for who asks. */
export const latestTest = (cut: number, weights: Weighing | null) =>
    queryOptions({
        queryKey: keys.tests(cut, weights),
        queryFn: () => api.latestTest(cut, weights ?? {}),
        // What came while a pointer was over the way there need not be asked for again by the press.
        staleTime: 1_000,
    });
