import { useQuery } from '@tanstack/react-query';
import { api } from '../api/client';
import { keys } from '../api/keys';
import { Figures } from '../ui/Figures';

/** The processes that take work in hand, on all machines, and what they have there. */
export function Workers() {
    const { data } = useQuery({ queryKey: keys.workers(), queryFn: api.workers, refetchInterval: 3_000 });
    if (data === undefined) {
        return null;
    }
    return (
        <section aria-labelledby="workers" className="mt-6 mb-8 text-[13px]">
            <h2 id="workers" className="font-stencil text-[16px] tracking-[.05em]">
                WORKERS
            </h2>
            <p className="mb-2 text-soft">
                Processes that take work in hand, here and on machines that share the work.
            </p>
            {data.workers.length === 0 ? (
                <p className="border-t-2 border-rule py-2 text-stop">
                    ■ None is there: what is packed waits. bin/start begins them.
                </p>
            ) : (
                <table className="w-full table-fixed border-t-2 border-rule text-left">
                    <thead className="sr-only">
                        <tr>
                            <th scope="col">Machine</th>
                            <th scope="col">Takes</th>
                            <th scope="col">In hand</th>
                        </tr>
                    </thead>
                    <tbody>
                        {data.workers.map(({ owner, host, does, cores, engine, misses, inHand }) => (
                            <tr key={owner} className="border-b border-line align-top">
                                <th scope="row" className="w-[240px] py-2 pr-5 font-normal">
                                    <span className="block truncate font-medium" title={host}>
                                        {host}
                                    </span>
                                    <span className="text-soft">
                                        <Figures text={`${cores} cores`} />
                                        {engine === null ? ', the engine is missing' : `, FFmpeg ${engine}`}
                                    </span>
                                </th>
                                <td className="w-[340px] py-2 pr-5 text-soft">{does}</td>
                                <td className="py-2">
                                    {misses !== null && (
                                        <span className="text-stop">■ {misses} is not there: it waits</span>
                                    )}
                                    {misses === null && inHand.length === 0 && <span className="text-faint">–</span>}
                                    {inHand.map(({ text, percent }) => (
                                        <span key={text} className="flex gap-3">
                                            <span className="min-w-0 truncate" title={text}>
                                                {text}
                                            </span>
                                            <Figures text={`${percent} %`} />
                                        </span>
                                    ))}
                                </td>
                            </tr>
                        ))}
                    </tbody>
                </table>
            )}
        </section>
    );
}
