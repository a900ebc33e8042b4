import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api } from '../api/client';
import { keys } from '../api/keys';
import type { Cut } from '../api/types';
import { Button } from '../ui/Button';

/** The cut's file has moved, changed or gone, or its drive is silent: says so, and where it is found again points the cut to it. */
export function MissingFile({ cut }: { cut: Cut }) {
    const client = useQueryClient();
    const places = useQuery({
        queryKey: keys.places(cut.id),
        queryFn: () => api.places(cut.id),
        refetchInterval: 5_000,
        enabled: cut.fileState === 'gone',
    });
    const renew = () => {
        for (const queryKey of [keys.sheet(cut.id), keys.analysis(cut.id), keys.reading(cut.id), keys.cuts()]) {
            client.invalidateQueries({ queryKey });
        }
    };
    const locate = useMutation({ mutationFn: (path: string) => api.locate(cut.id, path), onSuccess: renew });
    const read = useMutation({ mutationFn: () => api.readAgain(cut.id), onSuccess: renew });
    const found = places.data?.files ?? [];
    const problem = locate.error ?? read.error;
    return (
        <div
            role="alert"
            className="flex flex-none flex-wrap items-center gap-x-4 gap-y-1.5 rounded border border-stop bg-stop-wash px-3 py-1.5 text-[13px]"
        >
            {cut.fileState === 'silent' && (
                <span className="min-w-0 flex-1">
                    The drive of <b className="font-medium">{cut.file}</b> does not answer. See to the drive, or to its
                    network: the sheet is kept, and goes on by itself.
                </span>
            )}
            {cut.fileState === 'changed' && (
                <>
                    <span className="min-w-0 flex-1">
                        <b className="font-medium">{cut.file}</b> has changed since it was read. Its sheet is kept; the
                        range begins anew.
                    </span>
                    <Button disabled={read.isPending} onClick={() => read.mutate()}>
                        {read.isPending ? 'Reading …' : 'Read it again'}
                    </Button>
                </>
            )}
            {cut.fileState === 'gone' && (
                <>
                    <span className="min-w-0 flex-1">
                        <b className="font-medium">{cut.file}</b> is no longer at {cut.path}.{' '}
                        {found.length === 0 &&
                            'Put it back, or move it into a media folder: it is found by its content, whatever its name.'}
                    </span>
                    {found.slice(0, 3).map((file) => (
                        <Button key={file.path} disabled={locate.isPending} onClick={() => locate.mutate(file.path)}>
                            <span className="max-w-[420px] truncate" title={file.path}>
                                Use {file.path}
                            </span>
                        </Button>
                    ))}
                </>
            )}
            {problem && <span className="w-full text-stop">{problem.message}</span>}
        </div>
    );
}
