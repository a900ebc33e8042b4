import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api } from '../api/client';
import { keys } from '../api/keys';
import { isUnderWay, useQueue } from '../api/queries';
import type { Queue, QueueSummary, Run } from '../api/types';
import { Button } from '../ui/Button';
import { Figures } from '../ui/Figures';
import { Blank, Failed, Loading } from '../ui/States';
import { Title } from '../ui/Title';
import { useTitle } from '../ui/useTitle';
import { QueueRow } from './QueueRow';
import { useRunActions } from './useRunActions';

const stays = (run: Run) => isUnderWay(run) || run.state === 'stopped' || run.state === 'failed';

const isGoing = (run: Run) => run.state === 'running' || run.state === 'checking';

/** As they are made: what is in hand first, then by place. One that was stopped or failed stays where it was. */
const inOrder = (a: Run, b: Run) => Number(isGoing(b)) - Number(isGoing(a)) || a.place - b.place || a.id - b.id;

/** All runs, as a timetable: those under way in their order, then those that are done. */
export function QueuePage() {
    const { data, isError, error, refetch } = useQueue();
    useTitle('Queue');
    const [cleared, setCleared] = useState<number[]>([]);
    const client = useQueryClient();
    const clear = useMutation({
        mutationFn: ({ runs, away }: { runs: number[]; away: boolean }) => api.clearRuns(runs, away),
        onSuccess: (_, { runs, away }) => setCleared(away ? runs : []),
        onSettled: () => client.invalidateQueries({ queryKey: keys.runs() }),
    });
    if (isError && data === undefined) {
        return <Failed error={error} retry={() => refetch()} />;
    }
    if (data === undefined) {
        return <Loading what="the queue" />;
    }
    const undo = cleared.length > 0 && (
        <p role="status" className="mb-3 text-[13px] text-soft">
            {cleared.length === 1 ? 'One run was' : `${cleared.length} runs were`} taken off this page; slips and files
            stay.{' '}
            <button
                type="button"
                className="text-rust underline underline-offset-3"
                onClick={() => clear.mutate({ runs: cleared, away: false })}
            >
                Put back
            </button>
        </p>
    );
    if (data.runs.length === 0) {
        return (
            <>
                <div className="px-5 pt-4">{undo}</div>
                <Blank
                    title={
                        cleared.length > 0 ? 'Nothing waits, and nothing is being made' : 'Nothing has been packed yet'
                    }
                    action={
                        <Link to="/" className="text-rust underline underline-offset-4">
                            Go to the shelf
                        </Link>
                    }
                >
                    Open a cut, look at its sheet, and press Pack.
                </Blank>
            </>
        );
    }
    const active = data.runs.filter(stays).sort(inOrder);
    const done = data.runs.filter((run) => !stays(run));
    const over = data.runs.filter((run) => !isUnderWay(run)).map(({ id }) => id);
    return (
        <div className="px-5 py-4">
            <div className="flex items-start justify-between gap-6">
                <Title about="Every file that is being made, waits or was made: each is a run">Queue</Title>
                {over.length > 0 && (
                    <Button disabled={clear.isPending} onClick={() => clear.mutate({ runs: over, away: true })}>
                        Clear what is over
                    </Button>
                )}
            </div>
            {clear.error && (
                <p role="alert" className="mb-3 text-[13px] text-stop">
                    {clear.error.message}
                </p>
            )}
            {undo}
            {active.some(isUnderWay) && <Total queue={data.queue} going={active.filter(isGoing).length} />}
            {active.length > 0 && <Table name="Under way" runs={active} times={data.times} />}
            {done.length > 0 && <Table name="Done" runs={done} times={data.times} />}
        </div>
    );
}

/** One line about all of it. */
function Total({ queue, going }: { queue: QueueSummary; going: number }) {
    const ends = queue.ends === null ? null : new Date(queue.ends);
    const parts = [
        going === 0 ? null : `${going} being made`,
        queue.waiting === 0 ? null : `${queue.waiting} ${queue.waiting === 1 ? 'waits' : 'wait'}`,
        queue.paused === 0 ? null : `${queue.paused} paused`,
        queue.secondsLeft === 0 ? null : `${queue.percent} %`,
        queue.secondsLeft === 0 ? null : `${queue.secondsLeftLabel} left`,
        ends === null
            ? null
            : `all done about ${ends.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })}`,
    ];
    return (
        <section className="mb-2 text-[14px]" aria-label="All of the queue">
            <Figures text={parts.filter(Boolean).join(' · ')} />
        </section>
    );
}

function Table({ name, runs, times }: { name: string; runs: Run[]; times: Queue['times'] }) {
    const { move } = useRunActions();
    const waiting = runs.filter((run) => run.state === 'waiting').map(({ id }) => id);
    const moveTo = (run: number, before: number | null) => move.mutate({ run, before });
    const wayOf = (run: Run) => {
        const at = waiting.indexOf(run.id);
        if (at < 0) {
            return {};
        }
        const [before, afterNext] = [waiting[at - 1], waiting[at + 2]];
        return {
            earlier: before === undefined ? undefined : () => moveTo(run.id, before),
            later: at + 1 >= waiting.length ? undefined : () => moveTo(run.id, afterNext ?? null),
            drop: (dropped: number) => dropped !== run.id && waiting.includes(dropped) && moveTo(dropped, run.id),
        };
    };
    return (
        <table className="mb-6 w-full table-fixed border-t-2 border-rule text-[13px]" aria-label={name}>
            <thead>
                <tr className="border-b border-rule text-soft">
                    <th scope="col" className="h-[30px] w-[118px] px-2 pl-0">
                        {name}
                    </th>
                    <th scope="col" className="px-2">
                        Cut and output
                    </th>
                    <th scope="col" className="w-[126px] px-2">
                        Preset
                    </th>
                    <th scope="col" className="w-[262px] px-2">
                        State
                    </th>
                    <th scope="col" className="w-[170px] px-2">
                        File
                    </th>
                    <td className="w-[352px]" />
                </tr>
            </thead>
            <tbody>
                {runs.map((run) => (
                    <QueueRow key={run.id} run={run} time={times.find((time) => time.run === run.id)} {...wayOf(run)} />
                ))}
            </tbody>
        </table>
    );
}
