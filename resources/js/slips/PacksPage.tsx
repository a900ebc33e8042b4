import { Link } from 'react-router';
import { isUnderWay, useRuns } from '../api/queries';
import type { Run } from '../api/types';
import { runMark } from '../queue/runState';
import { Figures } from '../ui/Figures';
import { Mark } from '../ui/Mark';
import { moment } from '../ui/moment';
import { Blank, Failed, Loading } from '../ui/States';
import { Title } from '../ui/Title';
import { useTitle } from '../ui/useTitle';

/** What was packed together, the latest first: each leads to its slips. */
export function PacksPage() {
    const { data, isError, error, refetch } = useRuns();
    useTitle('Slips');
    if (isError && data === undefined) {
        return <Failed error={error} retry={() => refetch()} />;
    }
    if (data === undefined) {
        return <Loading what="the slips" />;
    }
    const packs = new Map<string, Run[]>();
    for (const run of data.runs) {
        packs.set(run.pack, [...(packs.get(run.pack) ?? []), run]);
    }
    if (packs.size === 0) {
        return (
            <Blank
                title="Nothing has been packed yet"
                action={
                    <Link to="/" className="text-rust underline underline-offset-4">
                        Go to the shelf
                    </Link>
                }
            >
                A slip says what came out of each file that was made.
            </Blank>
        );
    }
    return (
        <div className="px-5 py-4">
            <Title about="What came out of each pack; a slip goes with every file">Slips</Title>
            <table className="w-full table-fixed border-t-2 border-rule text-[13px]">
                <thead>
                    <tr className="border-b border-rule text-soft">
                        <th scope="col" className="h-[30px] px-2 pl-0">
                            Cut
                        </th>
                        <th scope="col" className="px-2">
                            Files
                        </th>
                        <th scope="col" className="w-[180px] px-2">
                            Packed
                        </th>
                        <th scope="col" className="w-[220px] px-2">
                            State
                        </th>
                    </tr>
                </thead>
                <tbody>
                    {[...packs].map(([pack, runs]) => (
                        <Pack key={pack} pack={pack} runs={runs} />
                    ))}
                </tbody>
            </table>
        </div>
    );
}

function Pack({ pack, runs }: { pack: string; runs: Run[] }) {
    const going = runs.filter(isUnderWay).length;
    const failed = runs.filter(({ state }) => state === 'failed').length;
    const stopped = runs.filter(({ state }) => state === 'stopped').length;
    const differences = runs.reduce((sum, run) => sum + (run.differences ?? 0), 0);
    const ended = runs.map(({ endedAt }) => endedAt).filter((at) => at !== null);
    const text =
        going > 0
            ? `${going} under way`
            : [
                  failed > 0 && `${failed} failed`,
                  stopped > 0 && `${stopped} stopped`,
                  differences > 0 && `${differences} from the plan`,
              ]
                  .filter(Boolean)
                  .join(', ') || 'as planned';
    const marks = going > 0 ? [] : runs.map(runMark);
    const worst = (['stop', 'note', 'caution', 'done'] as const).find((kind) => marks.includes(kind));
    return (
        <tr className="relative h-9 border-b border-line hover:bg-surface">
            <td className="truncate px-2 pl-0 font-medium">
                <Link to={`/slips/${pack}`} className="after:absolute after:inset-0">
                    {runs[0]?.cutName}
                </Link>
            </td>
            <td className="truncate px-2 text-soft">{runs.map(({ name }) => name).join(', ')}</td>
            <td className="px-2 text-soft">
                <Figures text={moment(ended.sort().at(-1) ?? null) || '–'} />
            </td>
            <td className="px-2">
                <span className="flex items-center gap-2">
                    {worst && <Mark kind={worst} />}
                    <Figures text={text} />
                </span>
            </td>
        </tr>
    );
}
