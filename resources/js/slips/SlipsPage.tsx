import { Download } from 'lucide-react';
import type { ReactNode } from 'react';
import { Link, useParams } from 'react-router';
import { fileAddress } from '../api/client';
import { isUnderWay, useChoices, useSlips } from '../api/queries';
import type { PackedRun, Plan } from '../api/types';
import { runMark, stateText } from '../queue/runState';
import type { CellName } from '../sheet/outputs';
import { Figures } from '../ui/Figures';
import { Mark } from '../ui/Mark';
import { Failed, Loading } from '../ui/States';
import { Title } from '../ui/Title';
import { useTitle } from '../ui/useTitle';
import { CopyButton } from './CopyButton';
import { SentIn } from './SentIn';
import { TakeSlips } from './TakeSlips';

type Slip = NonNullable<PackedRun['slip']>;

/** What came out of a pack, side by side: the cut, the master, the uploads. */
export function SlipsPage() {
    const cells = useChoices().data?.cells ?? [];
    const { data, isError, error, refetch } = useSlips(useParams().pack ?? '');
    useTitle(data === undefined ? undefined : `Slips of ${data.cutName}`);
    if (isError && data === undefined) {
        return <Failed error={error} retry={() => refetch()} />;
    }
    if (data === undefined) {
        return <Loading what="the slips" />;
    }
    const { cut, runs } = data;
    return (
        <div className="min-w-[1024px] px-5 py-4">
            <Title
                about="What came out, read back from each file: a slip goes with every one"
                more={
                    <>
                        <TakeSlips
                            pack={data.pack}
                            isAnyMade={runs.some((run) => run.state === 'done' && run.onDisk)}
                        />
                        {cut !== null && (
                            <Link to={`/cuts/${cut.id}`} className="flex-none text-[13px] text-rust hover:underline">
                                To its sheet
                            </Link>
                        )}
                    </>
                }
            >
                Slips of {data.cutName}
            </Title>
            <table
                className="w-full table-fixed border-separate border-spacing-0 border-t-2 border-rule text-[13px]"
                aria-label={`Slips of ${data.cutName}`}
            >
                <colgroup>
                    <col style={{ width: 112 }} />
                    <col style={{ width: 216 }} />
                </colgroup>
                <thead>
                    <tr>
                        <td className="border-b border-rule" />
                        <th scope="col" className="h-[58px] border-b border-l border-b-rule border-l-line px-3">
                            <span className="block font-stencil text-[16px] tracking-[.05em]">THE CUT</span>
                            <span className="block truncate text-soft">{cut?.file ?? 'no longer on the shelf'}</span>
                        </th>
                        {runs.map((run) => (
                            <Head key={run.id} run={run} />
                        ))}
                    </tr>
                </thead>
                <tbody>
                    <Row
                        name="File size"
                        first
                        cut={cut?.bytesLabel}
                        runs={runs}
                        of={(slip, run) => <Size slip={slip} plan={run.plan} />}
                    />
                    <Row
                        name="Length"
                        cut={cut?.durationLabel}
                        runs={runs}
                        of={(slip) => <Figures text={`${slip.durationLabel} · ${slip.frames} frames`} />}
                    />
                    {cells.map(({ name, label }) => (
                        <Row
                            key={name}
                            name={label}
                            cut={cut?.values[name as CellName]}
                            runs={runs}
                            differs={(slip) => slip.differences.some((difference) => difference.cell === name)}
                            of={(slip) => <Figures text={slip.found[name as CellName]} />}
                        />
                    ))}
                    <Row
                        name="Loudness"
                        runs={runs}
                        of={(slip, run) => (
                            <Figures text={heard(slip.level?.label, run.plan.values.audio.loudnessLabel)} />
                        )}
                    />
                    <Row
                        name="Peak second"
                        runs={runs}
                        of={(slip) => <Figures text={slip.bitrates.peakSecondLabel} />}
                    />
                    <Row
                        name="Decoded"
                        runs={runs}
                        of={(slip) => <Figures text={slip.decoded?.label ?? 'its first and last second'} />}
                    />
                    <Row name="Made in" runs={runs} of={(slip) => <Figures text={madeIn(slip)} />} />
                    {runs.some((run) => run.plan.host !== null) && (
                        <Row
                            name="Sent in"
                            runs={runs}
                            of={(_, run) =>
                                run.plan.host === null ? (
                                    <span className="text-faint">stays here</span>
                                ) : (
                                    <SentIn run={run} />
                                )
                            }
                        />
                    )}
                    <Row
                        name="SHA-256"
                        runs={runs}
                        of={(slip) => (
                            <Copyable text={slip.sha256} shown={`${slip.sha256.slice(0, 20)}…`} what="checksum" />
                        )}
                    />
                    {runs.some((run) => run.slip?.xxh64) && (
                        <Row
                            name="xxHash64"
                            runs={runs}
                            of={(slip) =>
                                slip.xxh64 && <Copyable text={slip.xxh64} shown={slip.xxh64} what="xxHash64" />
                            }
                        />
                    )}
                    <Row
                        name="Made by"
                        runs={runs}
                        of={(slip) => (
                            <Figures
                                text={[
                                    `Outer Crate ${slip.version ?? ''}`.trim(),
                                    slip.engine && `FFmpeg ${slip.engine}`,
                                ]
                                    .filter(Boolean)
                                    .join(', ')}
                            />
                        )}
                    />
                    <Row
                        name="Location"
                        runs={runs}
                        of={(_, run) => <Copyable text={run.path} shown={run.path} what="path" gone={!run.onDisk} />}
                    />
                    <tr className="align-top">
                        <th scope="row" className="border-b border-line px-3 py-[5px] text-soft">
                            Differs
                        </th>
                        <td className="border-b border-l border-line bg-sunk" />
                        {runs.map((run) => (
                            <td key={run.id} className="border-b border-l border-line bg-surface px-3 py-[5px]">
                                <Differences run={run} />
                            </td>
                        ))}
                    </tr>
                </tbody>
            </table>
        </div>
    );
}

function Head({ run }: { run: PackedRun }) {
    return (
        <th scope="col" className="border-b border-l border-b-rule border-l-line px-3 py-1.5 align-top">
            <span className="flex items-center gap-2">
                <span className="font-stencil text-[16px] tracking-[.05em] uppercase">{run.role}</span>
                <span className="ml-auto flex items-center gap-2">
                    {run.state === 'done' && run.onDisk && !run.isFolder && run.role !== 'sound' && (
                        <Link
                            to={`/compare/runs/${run.id}`}
                            className="text-[12px] text-rust hover:underline"
                            aria-label={`Look at ${run.file} beside the cut`}
                        >
                            Look
                        </Link>
                    )}
                    {run.state === 'done' && run.onDisk && !run.isFolder && (
                        <Link
                            to={`/dispatch/new?run=${run.id}`}
                            className="text-[12px] text-rust hover:underline"
                            aria-label={`Send ${run.file} to a host`}
                        >
                            Send
                        </Link>
                    )}
                    {run.state === 'done' && run.onDisk && !run.isFolder && (
                        <a
                            href={fileAddress(run.id)}
                            download
                            className="inline-flex h-6 items-center gap-1.5 rounded border border-line bg-surface px-2 text-[12px] hover:border-rule"
                        >
                            <Download size={12} /> Download
                        </a>
                    )}
                    {isUnderWay(run) && <Figures className="text-soft" text={stateText(run)} />}
                </span>
            </span>
            <span className="block truncate text-soft" title={`${run.preset} · ${run.file}`}>
                {run.state === 'done' ? run.file : run.preset}
            </span>
            {run.state === 'done' && (
                <span className="block truncate text-[12px] leading-4 text-soft">
                    <Figures text={run.preset} />
                </span>
            )}
        </th>
    );
}

interface RowProps {
    name: string;
    cut?: string;
    first?: boolean;
    runs: PackedRun[];
    differs?: (slip: Slip) => boolean;
    of: (slip: Slip, run: PackedRun) => ReactNode;
}

const heard = (level: string | undefined, asked: string | null | undefined) =>
    `${level ?? '–'}${asked ? ` · asked ${asked}` : ''}`;

/** Rate control that missed what was promised is tried again, which takes time. */
const madeIn = (slip: Slip) => `${slip.madeIn.toFixed(1)} s${(slip.tries ?? 1) > 1 ? ` in ${slip.tries} tries` : ''}`;

function Row({ name, cut, runs, of, differs }: RowProps) {
    return (
        <tr className="row-30">
            <th scope="row" className="border-b border-line px-3 text-soft">
                {name}
            </th>
            <td className="max-w-0 truncate border-b border-l border-line bg-sunk px-3">
                {cut !== undefined && <Figures text={cut} />}
            </td>
            {runs.map((run) => (
                <td
                    key={run.id}
                    className={`max-w-0 truncate border-b border-l border-line px-3 ${run.slip && differs?.(run.slip) ? 'bg-caution-wash' : 'bg-surface'}`}
                >
                    {run.slip ? of(run.slip, run) : <span className="text-faint">–</span>}
                </td>
            ))}
        </tr>
    );
}

function Size({ slip, plan }: { slip: Slip; plan: Plan }) {
    const off = Math.round((100 * (slip.bytes - plan.estimate.bytes)) / plan.estimate.bytes);
    return (
        <span title={`${slip.bytes.toLocaleString('en')} bytes`}>
            <Figures className="font-medium" text={slip.bytesLabel} />
            <Figures
                className="ml-2 text-faint"
                text={off === 0 ? 'as estimated' : `${off > 0 ? '+' : '−'}${Math.abs(off)} % of the estimate`}
            />
        </span>
    );
}

function Copyable({ text, shown, what, gone }: { text: string; shown: string; what: string; gone?: boolean }) {
    return (
        <span className="flex items-center gap-2">
            <span className="figure truncate" title={gone ? `${text}\nThe file is no longer there` : text}>
                {gone ? <s>{shown}</s> : shown}
            </span>
            <CopyButton text={text} what={what} />
        </span>
    );
}

function Differences({ run }: { run: PackedRun }) {
    if (run.state === 'failed' || run.state === 'stopped') {
        return (
            <span className="flex gap-2">
                <span className="pt-1">
                    <Mark kind={runMark(run) ?? 'stop'} />
                </span>
                {run.state === 'stopped' ? 'Stopped. No file was kept.' : run.error}
            </span>
        );
    }
    if (run.slip === null) {
        return <span className="text-faint">…</span>;
    }
    const told = [
        ...run.slip.differences.map(({ text }) => ({ kind: 'caution' as const, text })),
        ...(run.slip.notes ?? []).map(({ text }) => ({ kind: 'note' as const, text })),
    ];
    return (
        <ul>
            {run.slip.differences.length === 0 && (
                <li className="flex items-center gap-2">
                    <Mark kind="done" /> nothing differs
                </li>
            )}
            {told.map(({ kind, text }) => (
                <li key={text} className="flex gap-2">
                    <span className="pt-1">
                        <Mark kind={kind} />
                    </span>
                    <Figures text={text} />
                </li>
            ))}
        </ul>
    );
}
