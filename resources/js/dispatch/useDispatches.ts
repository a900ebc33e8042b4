import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api } from '../api/client';
import { keys } from '../api/keys';
import type { Dispatch, DispatchAnswer, DispatchList } from '../api/types';

const key = keys.dispatches();

/** Whether something moves by itself. */
const moves = (one: Dispatch) =>
    ['waiting', 'sending'].includes(one.stage) ||
    (one.stage === 'held' && (one.release !== null || one.video?.state === 'processing'));

/** All that is sent, asked again while something moves. */
export function useDispatches() {
    return useQuery({
        queryKey: key,
        queryFn: api.dispatches,
        refetchInterval: ({ state }) => (state.data?.dispatches.some(moves) ? 1_000 : 15_000),
    });
}

/** Does something with one of them, and shows what became of it. */
export function useDispatchAction() {
    const client = useQueryClient();
    return useMutation({
        mutationFn: (how: () => Promise<DispatchAnswer>) => how(),
        onSuccess: ({ dispatch }) => {
            client.setQueryData<DispatchList>(
                key,
                (before) =>
                    before && {
                        ...before,
                        dispatches: before.dispatches.some((one) => one.id === dispatch.id)
                            ? before.dispatches.map((one) => (one.id === dispatch.id ? dispatch : one))
                            : [dispatch, ...before.dispatches],
                    },
            );
        },
        onSettled: () => client.invalidateQueries({ queryKey: key }),
    });
}
