import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, packAddress, packTextAddress } from '../api/client';
import { keys } from '../api/keys';
import type { HashListAnswer } from '../api/types';
import { Figures } from '../ui/Figures';

const BUTTON = 'inline-flex h-6 items-center rounded border border-line bg-surface px-2 text-[12px] hover:border-rule';

const isUnderWay = (list: HashListAnswer | undefined) =>
    list !== undefined && ['waiting', 'running', 'checking'].includes(list.state);

/** Takes what the slips say along with the files: as text, and as a list of hashes beside them. */
export function TakeSlips({ pack, isAnyMade }: { pack: string; isAnyMade: boolean }) {
    const client = useQueryClient();
    const key = keys.hashList(pack);
    const write = useMutation({
        mutationFn: () => api.writeHashList(pack),
        onSuccess: (answer) => client.setQueryData(key, answer),
    });
    // Polled only after a list was started here: a worker writes the list of a large delivery.
    const { data: list } = useQuery({
        queryKey: key,
        queryFn: () => api.hashList(pack),
        enabled: write.isSuccess && isUnderWay(write.data),
        refetchInterval: (query) => (isUnderWay(query.state.data) ? 1_000 : false),
    });
    return (
        <span className="ml-auto flex min-w-0 flex-none items-center gap-2">
            <span
                role="status"
                className="max-w-[300px] truncate text-[12px] text-soft"
                title={list?.path ?? list?.error ?? undefined}
            >
                {write.isError && <span className="text-stop">{write.error.message}</span>}
                {isUnderWay(list) && (
                    <>
                        Writing the hash list, <Figures text={`${list?.percent} %`} />
                    </>
                )}
                {list?.state === 'failed' && <span className="text-stop">{list.error}</span>}
                {list?.state === 'done' && 'Listed in the folder ascmhl beside the files'}
            </span>
            <button
                type="button"
                className={`${BUTTON} disabled:opacity-50`}
                disabled={!isAnyMade || write.isPending || isUnderWay(list)}
                title="Names every finished file and its checksum, in a folder beside them: other tools check copies with it"
                onClick={() => write.mutate()}
            >
                Write ASC MHL list
            </button>
            <a href={packTextAddress(pack)} download className={BUTTON}>
                Slips as text
            </a>
            <a
                href={packAddress(pack)}
                download="slips.json"
                className={BUTTON}
                title="For scripts: resources/schema/pack.json"
            >
                as JSON
            </a>
        </span>
    );
}
