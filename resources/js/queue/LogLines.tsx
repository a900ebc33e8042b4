import { useQuery } from '@tanstack/react-query';
import { api } from '../api/client';
import { keys } from '../api/keys';
import type { Run, RunLog } from '../api/types';
import { Failed, Loading } from '../ui/States';

/** The log of a run: what the engine was asked, what it said, and how long it took. */
export function LogLines({ run, going }: { run: Run; going: boolean }) {
    const { data, error, refetch } = useQuery({
        queryKey: keys.log(run.id, run.state),
        queryFn: () => api.log(run.id),
        refetchInterval: going ? 2_000 : false,
    });
    if (error && data === undefined) {
        return <Failed error={error} retry={() => refetch()} />;
    }
    if (data === undefined) {
        return <Loading what="the log" />;
    }
    return (
        <div className="px-3 py-2.5">
            {data.lines.length === 0 ? (
                <p className="text-soft">Nothing was written down of it.</p>
            ) : (
                <ol aria-label={`Log of ${run.cutName} ${run.name}`} className="text-[12.5px] leading-[18px]">
                    {data.lines.map((line, i) => (
                        // biome-ignore lint/suspicious/noArrayIndexKey: items have no identity but their position
                        <Line key={i} line={line} />
                    ))}
                </ol>
            )}
            <a href={`/api/runs/${run.id}/log?text=1`} download className="mt-2 inline-block text-rust hover:underline">
                Download the log
            </a>
        </div>
    );
}

function Line({ line: { at, kind, text, seconds } }: { line: RunLog['lines'][number] }) {
    return (
        <li className="flex gap-3 py-0.5">
            <span className="figure w-[88px] flex-none text-faint">{at.slice(11, 19)}</span>
            <span
                className={
                    kind === 'command'
                        ? 'figure min-w-0 flex-1 text-[11.5px] break-all text-soft select-all'
                        : 'min-w-0 flex-1 break-words whitespace-pre-wrap'
                }
            >
                {text}
            </span>
            <span className="figure w-[72px] flex-none text-right text-soft">
                {seconds === null ? '' : `${seconds.toFixed(seconds < 10 ? 2 : 1)} s`}
            </span>
        </li>
    );
}
