import { useMutation } from '@tanstack/react-query';
import { api, packAddress, packTextAddress } from '../api/client';

const BUTTON = 'inline-flex h-6 items-center rounded border border-line bg-surface px-2 text-[12px] hover:border-rule';

/** Takes what the slips say along with the files: as text, and as a list of hashes beside them. */
export function TakeSlips({ pack, isAnyMade }: { pack: string; isAnyMade: boolean }) {
    const list = useMutation({ mutationFn: () => api.writeHashList(pack) });
    return (
        <span className="ml-auto flex min-w-0 flex-none items-center gap-2">
            <span role="status" className="max-w-[300px] truncate text-[12px] text-soft" title={list.data?.path}>
                {list.isError && <span className="text-stop">{list.error.message}</span>}
                {list.data !== undefined && 'Listed in the folder ascmhl beside the files'}
            </span>
            <button
                type="button"
                className={`${BUTTON} disabled:opacity-50`}
                disabled={!isAnyMade || list.isPending}
                title="Names every finished file and what it sums up to, in a folder beside them: other tools check copies with it"
                onClick={() => list.mutate()}
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
