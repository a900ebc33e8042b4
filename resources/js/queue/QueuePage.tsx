import { Link } from 'react-router';
import { isUnderWay, useRuns } from '../api/queries';
import type { Run } from '../api/types';
import { Button } from '../ui/Button';
import { Figures } from '../ui/Figures';
import { Mark } from '../ui/Mark';
import { Blank, Failed, Loading } from '../ui/States';
import { Title } from '../ui/Title';
import { useTitle } from '../ui/useTitle';
import { runMark, stateText, useStop } from './runState';

/** All runs: those under way in their order, then those that are over. */
export function QueuePage() {
    const { data, isError, error, refetch } = useRuns();
    useTitle('Queue');
    if (isError && data === undefined) {
        return <Failed error={error} retry={() => refetch()} />;
    }
    if (data === undefined) {
        return <Loading what="the queue" />;
    }
    if (data.runs.length === 0) {
        return (
            <Blank
                title="Nothing has been packed yet"
                action={
                    <Link to="/" className="text-rust underline underline-offset-4">
                        Go to the shelf
                    </Link>
                }
            >
                Open a cut, look at its sheet, and press Pack.
            </Blank>
        );
    }
    const active = data.runs.filter(isUnderWay);
    const over = data.runs.filter((run) => !isUnderWay(run));
    return (
        <div className="px-5 py-4">
            <Title about="Every file that is being made, waits or was made: each is a run">Queue</Title>
            {active.length > 0 && <Table name="Under way" runs={active} />}
            {over.length > 0 && <Table name="Over" runs={over} />}
        </div>
    );
}

function Table({ name, runs }: { name: string; runs: Run[] }) {
    return (
        <table className="mb-6 w-full table-fixed border-t-2 border-rule text-[13px]" aria-label={name}>
            <thead>
                <tr className="border-b border-rule text-soft">
                    <th scope="col" className="h-[30px] w-[200px] px-2 pl-0">
                        {name}
                    </th>
                    <th scope="col" className="w-[120px] px-2">
                        For
                    </th>
                    <th scope="col" className="w-[200px] px-2">
                        Preset
                    </th>
                    <th scope="col" className="px-2">
                        File
                    </th>
                    <th scope="col" className="w-[300px] px-2">
                        State
                    </th>
                    <td className="w-[90px]" />
                </tr>
            </thead>
            <tbody>
                {runs.map((run) => (
                    <Row key={run.id} run={run} />
                ))}
            </tbody>
        </table>
    );
}

function Row({ run }: { run: Run }) {
    const stop = useStop(run);
    const mark = runMark(run);
    const problem = stop.error?.message ?? run.error;
    const going = run.state === 'running' || run.state === 'checking';
    return (
        <tr className="h-9 border-b border-line">
            <td className="truncate px-2 pl-0 font-medium">
                {run.cut === null ? run.cutName : <Link to={`/cuts/${run.cut}`}>{run.cutName}</Link>}
            </td>
            <td className="truncate px-2">{run.name}</td>
            <td className="truncate px-2 text-soft" title={run.preset}>
                {run.preset}
            </td>
            {problem === null ? (
                <td className="truncate px-2 text-soft" title={run.path}>
                    {run.file}
                </td>
            ) : (
                <td className="px-2 py-1.5 leading-[18px]">{problem}</td>
            )}
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
                        className="absolute bottom-0 left-2 h-[3px] bg-rust transition-[width]"
                        style={{ width: `calc(${run.percent}% - 16px)` }}
                    />
                )}
            </td>
            <td className="text-right">
                {isUnderWay(run) ? (
                    <Button
                        disabled={run.stopAsked || stop.isPending}
                        onClick={() => stop.mutate()}
                        aria-label={`Stop ${run.cutName} ${run.name}`}
                    >
                        Stop
                    </Button>
                ) : (
                    <Link to={`/slips/${run.pack}`} className="text-rust hover:underline">
                        Slips
                    </Link>
                )}
            </td>
        </tr>
    );
}
