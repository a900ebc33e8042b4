import { useMutation, useQueryClient } from '@tanstack/react-query';
import { api } from '../api/client';
import { keys } from '../api/keys';

/** What can be done to a run in the queue; the queue is asked again after each. */
export function useRunActions() {
    const client = useQueryClient();
    const onSettled = () => client.invalidateQueries({ queryKey: keys.runs() });
    const stop = useMutation({ mutationFn: api.stop, onSettled });
    const pause = useMutation({ mutationFn: api.pause, onSettled });
    const goOn = useMutation({ mutationFn: api.goOn, onSettled });
    const retry = useMutation({ mutationFn: api.retry, onSettled });
    const recall = useMutation({ mutationFn: api.recall, onSettled });
    const again = useMutation({ mutationFn: api.again, onSettled });
    const move = useMutation({
        mutationFn: ({ run, before }: { run: number; before: number | null }) => api.moveRun(run, before),
        onSettled,
    });
    const all = [stop, pause, goOn, retry, recall, again, move];
    return {
        stop,
        pause,
        goOn,
        retry,
        recall,
        again,
        move,
        busy: all.some(({ isPending }) => isPending),
        error: all.find(({ error }) => error !== null)?.error ?? null,
    };
}
