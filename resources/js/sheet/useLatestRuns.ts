import { useQuery } from '@tanstack/react-query';
import { api } from '../api/client';

/** What came out of a sheet last, the latest first; asked again when something was packed, as everything of runs is. */
export const useLatestRuns = (cut: number) =>
    useQuery({ queryKey: ['runs', 'of', cut], queryFn: () => api.latestOf(cut) }).data?.runs ?? [];
