import { X } from 'lucide-react';
import { useEffect } from 'react';
import { Link } from 'react-router';
import { isUnderWay, useStrip } from '../api/queries';
import type { Run, StripActivity } from '../api/types';
import { runMark, stateText, useStop } from '../queue/runState';
import { Figures } from '../ui/Figures';
import { Mark } from '../ui/Mark';

const SHOWN = 3;

const item = 'relative flex min-w-[180px] items-center gap-2.5 border-x border-line bg-surface';

/** The strip along the bottom of every page: what is being made, or what came of it last. */
export function Strip() {
    const { data } = useStrip();
    const runs = data?.runs ?? [];
    const active = runs.filter(isUnderWay);
    const latest = runs.find((run) => !isUnderWay(run));
    const shown = active.length > 0 ? active : runs.filter((run) => run.pack === latest?.pack).reverse();
    const activities = data?.activities ?? [];
    const queued = data === undefined ? 0 : data.queue.going + data.queue.waiting + data.queue.paused;
    const left = data?.queue.secondsLeft ? data.queue.secondsLeftLabel : null;
    const percent = active.length === 0 ? undefined : data?.queue.percent;
    const unmanned = data?.worker === false;
    const room = unmanned ? SHOWN - 1 : SHOWN;

    useEffect(() => {
        document.title = percent === undefined ? 'Outer Crate' : `${percent} % · Outer Crate`;
    }, [percent]);

    return (
        <section
            aria-label="Strip"
            className="flex items-stretch gap-px border-t border-line bg-sunk px-5 text-[12.5px]"
        >
            {unmanned && (
                <span
                    role="alert"
                    className="mr-4 flex flex-none items-center gap-2 self-center whitespace-nowrap text-stop"
                >
                    <Mark kind="stop" />
                    No worker is running. Start Outer Crate again.
                </span>
            )}
            {(activities.length > 0 && active.length === 0 ? [] : shown.slice(0, room)).map((run) => (
                <Item key={run.id} run={run} brief={active.filter(isGoing).length > 1} />
            ))}
            {activities.slice(0, Math.max(0, room - active.length)).map((activity) => (
                <Doing key={`${activity.page} ${activity.what}`} activity={activity} />
            ))}
            {shown.length === 0 && activities.length === 0 && !unmanned && (
                <span className="self-center text-faint">Nothing is being made.</span>
            )}
            <span className="ml-auto flex items-center gap-4 pl-4 text-soft">
                {active.length === 0 && latest && (
                    <Link to={`/slips/${latest.pack}`} className="text-rust hover:underline">
                        Slips of {latest.cutName}
                    </Link>
                )}
                {active.length > 0 && (
                    <Link to="/queue" className="whitespace-nowrap hover:text-ink">
                        <Figures
                            text={[`Queue: ${queued} ${queued === 1 ? 'run' : 'runs'}`, left]
                                .filter(Boolean)
                                .join(' · ')}
                        />{' '}
                        ▸
                    </Link>
                )}
            </span>
        </section>
    );
}

/** An analysis, a test, a lesson or a sending, under way or waiting. */
function Doing({
    activity: { name, what, page, running, percent: made, secondsLeftLabel },
}: {
    activity: StripActivity;
}) {
    const percent = running ? made : null;
    return (
        <div className={`w-[250px] px-3 ${item} ${percent === null ? 'text-soft' : ''}`}>
            <Link to={page} className="min-w-0 truncate hover:underline" title={`${name} ${what}`}>
                <b className="font-medium">{name}</b> {what}
            </Link>
            <span className="ml-auto flex-none whitespace-nowrap">
                <Figures
                    text={percent === null ? 'waiting' : [`${percent} %`, secondsLeftLabel].filter(Boolean).join(' · ')}
                />
            </span>
            {percent !== null && (
                <span
                    role="progressbar"
                    aria-label={`${name} ${what}`}
                    aria-valuenow={percent}
                    className="absolute bottom-0 left-0 h-[3px] bg-note transition-[width]"
                    style={{ width: `${percent}%` }}
                />
            )}
        </div>
    );
}

const lookOf = (run: Run) => `${isUnderWay(run) ? 'pr-1' : 'pr-3'} ${run.state === 'waiting' ? 'text-soft' : ''}`;

const isGoing = ({ state }: Run) => state === 'running' || state === 'checking';

function Item({ run, brief }: { run: Run; brief: boolean }) {
    const stop = useStop(run);
    const mark = runMark(run);
    const going = isGoing(run);
    const width = going && !brief ? 'w-[400px]' : going ? 'w-[310px]' : 'w-[250px]';
    const title = going ? `${run.frames} of ${run.framesTotal} frames, ${run.preset}` : (run.error ?? run.path);
    return (
        <div title={title} className={`${item} ${width} pl-3 ${lookOf(run)}`}>
            {mark && <Mark kind={mark} />}
            <span className="min-w-0 truncate">
                <b className="font-medium">{run.cutName}</b> {run.name}
            </span>
            <span className="ml-auto flex-none whitespace-nowrap">
                {stop.error ? (
                    <span role="alert" className="text-stop">
                        {stop.error.message}
                    </span>
                ) : (
                    <Figures text={stateText(run, brief)} />
                )}
            </span>
            {isUnderWay(run) && (
                <button
                    type="button"
                    aria-label={`Stop ${run.cutName} ${run.name}`}
                    title="Stop"
                    disabled={run.stopAsked || stop.isPending}
                    onClick={() => stop.mutate()}
                    className="flex size-6 flex-none items-center justify-center rounded text-faint hover:bg-sunk hover:text-stop disabled:opacity-40"
                >
                    <X size={13} />
                </button>
            )}
            {going && (
                <span
                    role="progressbar"
                    aria-label={`${run.cutName} ${run.name}`}
                    aria-valuenow={run.percent}
                    className="absolute bottom-0 left-0 h-[3px] bg-rust transition-[width]"
                    style={{ width: `${run.percent}%` }}
                />
            )}
        </div>
    );
}
