import { keepPreviousData, useInfiniteQuery, useQuery } from '@tanstack/react-query';
import { api, type Kind } from './client';
import { keys } from './keys';
import { isUnderWay, newerRuns } from './runs';
import type { ShelfView } from './shelfView';
import type { CutAnalysis, Queue, QueueSummary } from './types';

export { isUnderWay };

/** Cuts on the shelf, page by page. */
export const useShelf = (view: ShelfView) =>
    useInfiniteQuery({
        queryKey: keys.cuts(view),
        queryFn: ({ pageParam }) => api.cuts(view, pageParam),
        initialPageParam: undefined as string | undefined,
        getNextPageParam: (page) => page.cursor ?? undefined,
        placeholderData: keepPreviousData,
    });

export const usePresets = () => useQuery({ queryKey: keys.presets(), queryFn: api.presets, staleTime: 60_000 });

export const useHosts = () => useQuery({ queryKey: keys.hosts(), queryFn: api.hosts, staleTime: 60_000 });

export const useItem = (kind: Kind, slug: string | undefined) =>
    useQuery({
        queryKey: keys.item(kind, slug),
        queryFn: () => api.item(kind, slug ?? ''),
        enabled: slug !== undefined,
        placeholderData: keepPreviousData,
    });

export const useChoices = () =>
    useQuery({ queryKey: keys.choices(), queryFn: api.choices, staleTime: Number.POSITIVE_INFINITY });

export const useMachine = () => useQuery({ queryKey: keys.machine(), queryFn: api.machine, refetchInterval: 15_000 });

/** Milliseconds between two requests. */
const pace = (isBusy: boolean) => (isBusy ? 500 : 4_000);

const underWayIn = (queue: QueueSummary) => queue.going + queue.waiting + queue.paused;

export const useStrip = () =>
    useQuery({
        queryKey: keys.strip(),
        queryFn: api.strip,
        refetchInterval: ({ state: { data } }) =>
            pace(data !== undefined && underWayIn(data.queue) + data.activities.length > 0),
    });

/** Updates a known queue with its changes, or loads all of it. */
async function newer(known: Queue | undefined): Promise<Queue> {
    const next = known === undefined ? null : newerRuns(known, await api.queueChanges(known.at));
    return next ?? api.queue();
}

export const useQueue = () =>
    useQuery({
        queryKey: keys.queue(),
        queryFn: ({ client }) => newer(client.getQueryData<Queue>(keys.queue())),
        refetchInterval: ({ state: { data } }) => pace(data !== undefined && data.order.length > 0),
    });

/** Runs of one cut: under way first, then the latest finished ones. */
export const useRunsOf = (cut: number) =>
    useQuery({ queryKey: keys.runsOf(cut), queryFn: () => api.runsOf(cut) }).data?.runs ?? [];

export const useSlips = (pack: string) =>
    useQuery({
        queryKey: keys.pack(pack),
        queryFn: () => api.slips(pack),
        refetchInterval: (query) => (query.state.data?.runs.some(isUnderWay) ? 1_000 : false),
    });

const isLookedAt = (analysis: CutAnalysis | undefined) =>
    analysis?.state === 'waiting' || analysis?.state === 'running';

export const useAnalysis = (cut: number) =>
    useQuery({
        queryKey: keys.analysis(cut),
        queryFn: () => api.analysis(cut),
        refetchInterval: (query) => (isLookedAt(query.state.data) ? 700 : false),
    });

/**
 * Shapes of sound and detail for what the strip shows, in steps of a tenth of it so that a small move asks for nothing. The
 * old ones stay until the new ones are there.
 *
 * @param version what they depend on; null while there are none
 */
export function useCurves(cut: number, view: { from: number; to: number }, columns: number, version: string | null) {
    const grid = Math.max(1, Math.floor((view.to - view.from) / 10));
    const first = Math.max(0, Math.floor(view.from / grid) * grid);
    const last = Math.ceil(view.to / grid) * grid;
    const wanted = Math.round(columns / 50) * 50;
    return useQuery({
        queryKey: keys.curves(cut, version, first, last, wanted),
        queryFn: () => api.curves(cut, first, last, wanted),
        enabled: version !== null,
        placeholderData: keepPreviousData,
        staleTime: Number.POSITIVE_INFINITY,
    });
}

export const useReading = (cut: number) =>
    useQuery({ queryKey: keys.reading(cut), queryFn: () => api.reading(cut), staleTime: 60_000 });
