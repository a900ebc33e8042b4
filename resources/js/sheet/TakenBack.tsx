import { useMutation, useQueryClient } from '@tanstack/react-query';
import { api } from '../api/client';
import { keys as queries } from '../api/keys';
import { useRunsOf } from '../api/queries';
import { Button } from '../ui/Button';
import { Trouble } from '../ui/States';

interface Props {
    cut: number;
    /** Keys of the columns on the sheet. */
    keys: string[];
    /** Ends once the sheet is saved. */
    settled: () => Promise<unknown>;
}

/** Runs that were sent back to this sheet to be changed: each keeps its place in the queue until it is put back there. */
export function TakenBack({ cut, keys, settled }: Props) {
    const client = useQueryClient();
    const runs = useRunsOf(cut);
    const onSettled = () => client.invalidateQueries({ queryKey: queries.runs() });
    const put = useMutation({
        mutationFn: async (key: string) => {
            await settled();
            return api.packColumn(cut, key);
        },
        onSettled,
    });
    const leave = useMutation({ mutationFn: api.goOn, onSettled });
    const error = put.error ?? leave.error;
    return (
        <>
            {runs
                .filter(({ recalled }) => recalled)
                .map(({ id, name, output }) => (
                    <div
                        key={id}
                        role="status"
                        className="flex items-center gap-3 rounded bg-sunk px-3 py-2 text-[13px]"
                    >
                        <span className="min-w-0">
                            {name} was taken out of the queue to be changed here; its place is kept.
                        </span>
                        <span className="ml-auto flex flex-none gap-2">
                            <Button kind="quiet" disabled={leave.isPending} onClick={() => leave.mutate(id)}>
                                Make it as it was
                            </Button>
                            <Button
                                disabled={output === null || !keys.includes(output) || put.isPending}
                                onClick={() => put.mutate(output ?? '')}
                            >
                                Put it back as it is now
                            </Button>
                        </span>
                    </div>
                ))}
            {error && <Trouble message={error.message} />}
        </>
    );
}
