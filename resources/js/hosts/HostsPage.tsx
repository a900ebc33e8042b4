import { useHosts } from '../api/queries';
import type { HostList } from '../api/types';
import { Figures } from '../ui/Figures';
import { Failed, Loading } from '../ui/States';

/** The hosts: what each asks of an upload and what it does to it. */
export function HostsPage() {
    const { data, isError, error, refetch } = useHosts();
    if (isError && data === undefined) {
        return <Failed error={error} retry={() => refetch()} />;
    }
    if (data === undefined) {
        return <Loading what="the hosts" />;
    }
    return (
        <div className="px-5 py-4">
            <h1 className="mb-3 text-[20px] leading-6 font-semibold">Hosts</h1>
            <div className="grid grid-cols-2 gap-x-8 gap-y-7">
                {data.hosts.map((host) => (
                    <HostSheet key={host.slug} host={host} />
                ))}
            </div>
        </div>
    );
}

function HostSheet({ host }: { host: HostList['hosts'][number] }) {
    const high = host.rates.some((row) => row.high !== row.normal);
    const peak = host.rates.some((row) => row.peak !== null);
    return (
        <section className="border-t-2 border-rule pt-2 text-[13px]">
            <h2 className="flex items-baseline gap-3">
                <span className="font-stencil text-[16px] tracking-[.05em] uppercase">{host.name}</span>
                <span className="truncate text-soft">{host.about}</span>
            </h2>
            <p className="mt-1 mb-2 text-soft">
                <Figures text={host.recompression} />
            </p>
            <div className="grid grid-cols-[1fr_auto] items-start gap-6">
                <dl className="grid grid-cols-[84px_1fr] border-t border-line">
                    {host.asks.map((ask) => (
                        <div key={ask.label} className="contents">
                            <dt className="border-b border-line py-[3px] text-soft">{ask.label}</dt>
                            <dd className="m-0 border-b border-line py-[3px]">
                                <Figures text={ask.text} />
                            </dd>
                        </div>
                    ))}
                </dl>
                <table
                    className="border-t border-line text-right whitespace-nowrap"
                    aria-label={`Rates ${host.name} asks`}
                >
                    <thead className="text-soft">
                        <tr className="border-b border-line">
                            <th scope="col" className="pr-4 text-left">
                                Lines
                            </th>
                            <th scope="col" className="pl-4 text-right">
                                {high ? <Figures text={`≤ ${host.highRateAbove} fps`} /> : 'Average'}
                            </th>
                            {high && (
                                <th scope="col" className="pl-4 text-right">
                                    <Figures text={`> ${host.highRateAbove} fps`} />
                                </th>
                            )}
                            {peak && (
                                <th scope="col" className="pl-4 text-right">
                                    Peak
                                </th>
                            )}
                        </tr>
                    </thead>
                    <tbody>
                        {host.rates.map((row) => (
                            <tr key={row.shorterSide} className="border-b border-line">
                                <td className="pr-4 text-left">
                                    <Figures text={String(row.shorterSide)} />
                                </td>
                                <td className="py-[3px] pl-4">
                                    <Figures text={row.normal} />
                                </td>
                                {high && (
                                    <td className="pl-4">
                                        <Figures text={row.high} />
                                    </td>
                                )}
                                {peak && (
                                    <td className="pl-4">
                                        <Figures text={row.peak ?? '–'} />
                                    </td>
                                )}
                            </tr>
                        ))}
                    </tbody>
                </table>
            </div>
        </section>
    );
}
