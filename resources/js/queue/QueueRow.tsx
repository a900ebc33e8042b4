import { ArrowDown, ArrowUp } from 'lucide-react';
import { type KeyboardEvent, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import type { Queue, Run } from '../api/types';
import { Button } from '../ui/Button';
import { Figures } from '../ui/Figures';
import { Mark } from '../ui/Mark';
import { LogLines } from './LogLines';
import { runMark, stateText } from './runState';
import { useRunActions } from './useRunActions';

export const COLUMNS = 6;

/** A line above the row that another would come before. */
const dropped = 'shadow-[inset_0_2px_0_var(--color-rust)]';

interface Props {
    run: Run;
    time: Queue['times'][number] | undefined;
    /** The runs that wait just before and two after it; undefined where it cannot be moved there. */
    earlier?: (() => void) | undefined;
    later?: (() => void) | undefined;
    /** Another run was dropped on this one. */
    drop?: ((run: number) => void) | undefined;
}

const clock = (iso: string | null | undefined) =>
    iso == null ? '' : new Date(iso).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });

/** When it begins and ends, as far as that can be said. */
function timesOf(run: Run, time: Props['time']) {
    if (time !== undefined) {
        return time.begins === null ? '–' : `${clock(time.begins)} – ${clock(time.ends)}`;
    }
    return [clock(run.startedAt), clock(run.endedAt)].filter(Boolean).join(' – ');
}

export function QueueRow({ run, time, earlier, later, drop }: Props) {
    const [log, setLog] = useState(false);
    const [over, setOver] = useState(false);
    const actions = useRunActions();
    const mark = runMark(run);
    const going = run.state === 'running' || run.state === 'checking';
    const waits = run.state === 'waiting';
    const problem = actions.error?.message ?? run.error;
    const name = `${run.cutName} ${run.name}`;
    const onKeyDown = (event: KeyboardEvent) => {
        const move = event.altKey && { ArrowUp: earlier, ArrowDown: later }[event.key];
        if (move) {
            event.preventDefault();
            move();
        }
    };
    return (
        <>
            <tr
                aria-label={`${name}, ${stateText(run)}`}
                draggable={waits}
                onDragStart={(event) => event.dataTransfer.setData('text/plain', String(run.id))}
                onDragOver={(event) => {
                    if (drop) {
                        event.preventDefault();
                        setOver(true);
                    }
                }}
                onDragLeave={() => setOver(false)}
                onDrop={(event) => {
                    event.preventDefault();
                    setOver(false);
                    drop?.(Number(event.dataTransfer.getData('text/plain')));
                }}
                onKeyDown={onKeyDown}
                className={`group h-9 border-b border-line ${waits ? 'cursor-grab' : ''} ${over ? dropped : ''}`}
            >
                <td className="whitespace-nowrap px-2 pl-0">
                    <Figures className={run.paused ? 'text-faint' : 'text-soft'} text={timesOf(run, time)} />
                </td>
                <td className="truncate px-2" title={name}>
                    {run.cut === null ? (
                        <span className="font-medium">{run.cutName}</span>
                    ) : (
                        <Link to={`/cuts/${run.cut}`} className="font-medium hover:underline">
                            {run.cutName}
                        </Link>
                    )}{' '}
                    {run.name}
                </td>
                <td className="truncate px-2 text-soft" title={run.preset}>
                    {run.preset}
                </td>
                <td className="relative px-2">
                    <span className="flex items-center gap-2 whitespace-nowrap">
                        {mark && <Mark kind={mark} />}
                        <Figures text={stateText(run)} />
                        {(run.differences ?? 0) > 0 && (
                            <Figures className="text-faint" text={`${run.differences} from the plan`} />
                        )}
                    </span>
                    {going && (
                        <span
                            className={`absolute bottom-0 left-2 h-[3px] transition-[width] ${run.paused ? 'bg-faint' : 'bg-rust'}`}
                            style={{ width: `calc((100% - 16px) * ${run.percent / 100})` }}
                        />
                    )}
                </td>
                {problem === null ? (
                    <td className="truncate px-2 text-soft" title={run.path}>
                        {sizes(run) === '' ? run.file : <Figures text={sizes(run)} />}
                    </td>
                ) : (
                    <td className="px-2 py-1.5 leading-[18px]">{problem}</td>
                )}
                <td className="whitespace-nowrap text-right">
                    <span className="inline-flex items-center gap-1">
                        {waits && (
                            <>
                                <Button
                                    kind="quiet"
                                    disabled={!earlier}
                                    onClick={earlier}
                                    aria-label={`${name} earlier`}
                                    title="Earlier (Alt ↑)"
                                >
                                    <ArrowUp size={14} />
                                </Button>
                                <Button
                                    kind="quiet"
                                    disabled={!later}
                                    onClick={later}
                                    aria-label={`${name} later`}
                                    title="Later (Alt ↓)"
                                >
                                    <ArrowDown size={14} />
                                </Button>
                            </>
                        )}
                        {run.role === 'upload' && run.state !== 'failed' && run.state !== 'stopped' && (
                            <Link
                                to={`/dispatch/new?run=${run.id}`}
                                className="px-2 text-soft hover:text-ink"
                                aria-label={`Send ${name} to a host`}
                                title={going || waits ? 'It is sent when it is made' : undefined}
                            >
                                Send
                            </Link>
                        )}
                        <Button
                            kind="quiet"
                            onClick={() => setLog(!log)}
                            aria-expanded={log}
                            aria-label={`Log of ${name}`}
                        >
                            Log
                        </Button>
                        <Actions run={run} name={name} actions={actions} />
                    </span>
                </td>
            </tr>
            {log && (
                <tr className="border-b border-line bg-sunk">
                    <td colSpan={COLUMNS}>
                        <LogLines run={run} going={going} />
                    </td>
                </tr>
            )}
        </>
    );
}

const sizes = ({ soFarLabel, toComeLabel }: Run) =>
    soFarLabel === null ? '' : toComeLabel === null ? soFarLabel : `${soFarLabel} of ≈ ${toComeLabel}`;

interface ActionsProps {
    run: Run;
    name: string;
    actions: ReturnType<typeof useRunActions>;
}

/** What can be done to it as it stands. */
function Actions({ run, name, actions: { stop, pause, goOn, retry, recall, again, busy } }: ActionsProps) {
    const navigate = useNavigate();
    switch (run.state) {
        case 'waiting':
        case 'running':
        case 'checking':
            return (
                <>
                    {run.state === 'waiting' && run.cut !== null && (
                        <Button
                            kind="quiet"
                            disabled={busy}
                            onClick={() =>
                                run.recalled
                                    ? navigate(`/cuts/${run.cut}`)
                                    : recall.mutate(run.id, { onSuccess: () => navigate(`/cuts/${run.cut}`) })
                            }
                            aria-label={`Change ${name}`}
                            title="Back to its sheet; it keeps its place"
                        >
                            Change
                        </Button>
                    )}
                    {run.paused ? (
                        <Button
                            disabled={busy}
                            onClick={() => goOn.mutate(run.id)}
                            aria-label={`Go on with ${name}`}
                            className="w-[62px]"
                        >
                            Go on
                        </Button>
                    ) : (
                        <Button
                            disabled={busy || run.stopAsked || run.state === 'checking'}
                            onClick={() => pause.mutate(run.id)}
                            aria-label={`Pause ${name}`}
                            className="w-[62px]"
                        >
                            Pause
                        </Button>
                    )}
                    <Button
                        disabled={busy || run.stopAsked}
                        onClick={() => stop.mutate(run.id)}
                        aria-label={`Stop ${name}`}
                    >
                        Stop
                    </Button>
                </>
            );
        case 'failed':
        case 'stopped':
            return (
                <Button
                    disabled={busy}
                    onClick={() => retry.mutate(run.id)}
                    aria-label={`${run.state === 'failed' ? 'Try again' : 'Take the stop back'}: ${name}`}
                >
                    {run.state === 'failed' ? 'Try again' : 'Take the stop back'}
                </Button>
            );
        default:
            return (
                <>
                    <Button
                        kind="quiet"
                        disabled={busy}
                        onClick={() => again.mutate(run.id)}
                        aria-label={`Make again: ${name}`}
                    >
                        Make again
                    </Button>
                    <Link to={`/slips/${run.pack}`} className="px-2 text-rust hover:underline">
                        Slips
                    </Link>
                </>
            );
    }
}
