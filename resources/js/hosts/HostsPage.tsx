import { useHosts } from '../api/queries';
import type { HostList } from '../api/types';
import { BrokenFiles } from '../ui/BrokenFiles';
import { Figures } from '../ui/Figures';
import { Failed, Loading } from '../ui/States';
import { Title } from '../ui/Title';

type Host = HostList['hosts'][number];

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
            <Title about="A host takes an upload and recompresses it">Hosts</Title>
            <BrokenFiles files={data.broken} />
            <div className="grid grid-cols-2 gap-x-8 gap-y-7">
                {data.hosts.map((host) => (
                    <HostSheet key={host.slug} host={host} />
                ))}
            </div>
        </div>
    );
}

function HostSheet({ host }: { host: Host }) {
    return (
        <section className="border-t-2 border-rule pt-2 text-[13px]">
            <h2 className="flex items-baseline gap-3">
                <span className="font-stencil text-[16px] tracking-[.05em] uppercase">{host.name}</span>
                <span className="truncate text-soft">{host.about}</span>
            </h2>
            <div className="mt-2 grid grid-cols-[1fr_auto] items-start gap-6">
                <dl className="grid grid-cols-[92px_1fr] border-t border-line">
                    {host.asks.map((ask) => (
                        <div key={ask.label} className="contents">
                            <dt className="border-b border-line py-[3px] text-soft">{ask.label}</dt>
                            <dd className="m-0 border-b border-line py-[3px]">
                                <Figures text={ask.text} />
                            </dd>
                        </div>
                    ))}
                </dl>
                <BitratesAsked host={host} />
            </div>
            <h3 className="mt-4 mb-1 font-medium">What it does to an upload</h3>
            <p className="mb-1 text-soft">
                <Figures text={host.recompression ?? 'Not known.'} />
            </p>
            {host.tiers.length > 0 && <Ladders host={host} />}
        </section>
    );
}

const cell = 'py-[3px] pl-4';

function BitratesAsked({ host }: { host: Host }) {
    const high = host.bitrates.some((row) => row.high !== row.normal);
    const peak = host.bitrates.some((row) => row.peak !== null);
    return (
        <table
            className="border-t border-line text-right whitespace-nowrap"
            aria-label={`Bitrates that ${host.name} asks for`}
        >
            <thead className="text-soft">
                <tr className="border-b border-line">
                    <th scope="col" className="pr-4 text-left">
                        Lines
                    </th>
                    <th scope="col" className="pl-4 text-right">
                        {high ? <Figures text={`≤ ${host.highFrameRateAbove} fps`} /> : 'Average'}
                    </th>
                    {high && (
                        <th scope="col" className="pl-4 text-right">
                            <Figures text={`> ${host.highFrameRateAbove} fps`} />
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
                {host.bitrates.map((row) => (
                    <tr key={row.shorterSide} className="border-b border-line">
                        <td className="pr-4 text-left">
                            <Figures text={String(row.shorterSide)} />
                        </td>
                        <td className={cell}>
                            <Figures text={row.normal} />
                        </td>
                        {high && (
                            <td className={cell}>
                                <Figures text={row.high} />
                            </td>
                        )}
                        {peak && (
                            <td className={cell}>
                                <Figures text={row.peak ?? '–'} />
                            </td>
                        )}
                    </tr>
                ))}
            </tbody>
        </table>
    );
}

const heads = [
    ['Tier', 'text-left'],
    ['Lines', 'text-right'],
    ['Video codec', 'text-left'],
    ['Bitrate', 'text-right'],
    ['Keyframes', 'text-right'],
    ['Speed', 'text-left'],
] as const;

/** The renditions of each tier, the largest first. */
function Ladders({ host }: { host: Host }) {
    return (
        <table
            className="w-full border-t border-line whitespace-nowrap"
            aria-label={`What ${host.name} makes of an upload`}
        >
            <thead className="text-soft">
                <tr className="border-b border-line">
                    {heads.map(([name, side], i) => (
                        <th key={name} scope="col" className={`${i === 0 ? '' : 'pl-4'} ${side}`}>
                            {name}
                        </th>
                    ))}
                </tr>
            </thead>
            <tbody>
                {host.tiers.flatMap((tier) =>
                    tier.ladder.map((rung, i) => (
                        <tr key={`${tier.name} ${rung.shorterSide}`} className="border-b border-line">
                            <td title={tier.when}>{i === 0 && tier.name}</td>
                            <td className={`${cell} text-right`}>
                                <Figures text={String(rung.shorterSide)} />
                            </td>
                            <td className={cell}>
                                <Figures text={rung.codec} />
                            </td>
                            <td className={`${cell} text-right`}>
                                <Figures text={rung.bits} />
                            </td>
                            <td className={`${cell} text-right`}>
                                <Figures text={rung.keyframes} />
                            </td>
                            <td className={cell}>{rung.speed}</td>
                        </tr>
                    )),
                )}
            </tbody>
        </table>
    );
}
