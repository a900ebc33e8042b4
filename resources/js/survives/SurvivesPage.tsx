import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { api } from '../api/client';
import { keys } from '../api/keys';
import type { Sheet, Transit, TransitRequest, TransitTest } from '../api/types';
import { draftOf } from '../sheet/outputs';
import { Button } from '../ui/Button';
import { Figures } from '../ui/Figures';
import { isGoing } from '../ui/isGoing';
import { Segments } from '../ui/Segments';
import { Blank, Failed, Loading } from '../ui/States';
import { UnderWay } from '../ui/UnderWay';
import { useAddressed } from '../ui/useAddressed';
import { useTitle } from '../ui/useTitle';
import { Ask } from './Ask';
import { KeepAsPreset } from './KeepAsPreset';
import { latestTest } from './latestTest';
import { Plot } from './Plot';
import { Results } from './Results';
import { type Weighing, Weights, weightsIn } from './Weights';

/** What is left of the uploads of a cut after a host has recompressed them. */
export default function SurvivesPage() {
    const cut = Number(useParams().cut);
    return <SurvivesOf key={cut} cut={cut} />;
}

function SurvivesOf({ cut }: { cut: number }) {
    const client = useQueryClient();
    const sheet = useQuery({ queryKey: keys.sheet(cut), queryFn: () => api.sheet(cut) });
    const [search, setSearch] = useSearchParams();
    // In the address, so that coming back from the pictures finds them.
    const [written, write] = useAddressed('weights', search, setSearch);
    const weights = weightsIn(written);
    const setWeights = (next: Weighing | null) =>
        write(next === null ? '' : [next.quality, next.size, next.making, next.sending].join(' '));
    const test = useQuery({
        ...latestTest(cut, weights),
        placeholderData: keepPreviousData,
        refetchInterval: (query) => (isGoing(query.state.data?.test ?? undefined) ? 1_000 : false),
    });
    const now = test.data?.test ?? undefined;
    const renew = () => client.invalidateQueries({ queryKey: keys.tests(cut) });
    const ask = useMutation({ mutationFn: (request: TransitRequest) => api.askTest(cut, request), onSuccess: renew });
    const stop = useMutation({ mutationFn: () => api.stopTest(now?.id ?? 0), onSettled: () => test.refetch() });
    const name = sheet.data?.cut.name;
    useTitle(name === undefined ? undefined : `What survives of ${name}`);
    if (sheet.error && sheet.data === undefined) {
        return <Failed error={sheet.error} retry={() => sheet.refetch()} />;
    }
    if (sheet.data === undefined || test.isPending) {
        return <Loading what="the test" />;
    }
    const result = now?.result ?? null;
    const toHosts = sheet.data.outputs.some(({ plan }) => plan.host !== null);
    return (
        <div className="px-5 py-4">
            <div className="mb-3 flex flex-wrap items-start gap-x-6 gap-y-3">
                <div className="min-w-0 flex-1 basis-64">
                    <h1
                        className="line-clamp-3 text-[20px] leading-6 font-semibold wrap-anywhere"
                        title={`What survives of ${name}`}
                    >
                        What survives of {name}
                        {now && ` at ${now.hostName}`}
                    </h1>
                    <p className="mt-1 text-[13px] leading-[18px] text-soft">
                        {result === null ? (
                            'Pieces of the cut go through a host’s recompression; what is left is measured.'
                        ) : (
                            <Figures text={sampledText(result)} />
                        )}{' '}
                        <Link to={`/cuts/${cut}`} className="text-rust underline underline-offset-3">
                            To its sheet
                        </Link>
                    </p>
                </div>
                {result !== null && now && <Recommended cut={cut} sheet={sheet.data} test={now} result={result} />}
            </div>
            {toHosts ? (
                <Ask sheet={sheet.data} busy={isGoing(now) || ask.isPending} ask={ask.mutate} />
            ) : (
                <Blank
                    within
                    title="No upload on the sheet"
                    action={
                        <Link to={`/cuts/${cut}`} className="text-rust underline underline-offset-4">
                            Go to its sheet
                        </Link>
                    }
                >
                    Add an output that goes to a host; then it can be tested what that host leaves of it.
                </Blank>
            )}
            <UnderWay
                asked={now}
                label="Transit test"
                waits="The test waits its turn; files that are being made go first."
                goes={`Testing ${now?.candidates.length ?? 0} candidates`}
                stopped="The last test was stopped. Test again: what was made is kept, and it goes on there."
                stop={stop}
                problems={[ask.error, test.error]}
            />
            {now === undefined && toHosts && (
                <Blank within title="Nothing has been tested yet">
                    Choose what to send, and press Test. Each candidate is encoded in pieces, recompressed as the host
                    does it, and laid over the cut as a viewer sees it.
                </Blank>
            )}
            {result !== null && (
                <Outcome result={result} weights={weights} setWeights={setWeights} test={now?.id ?? 0} />
            )}
        </div>
    );
}

const sampledText = ({ pieces, sampled, simulation }: Transit) =>
    [
        `${pieces.length} ${pieces.length === 1 ? 'piece' : 'pieces'}, ${sampled.frames} of ${sampled.of} frames: `,
        `${[...new Set(pieces.map(({ words }) => words))].join(', ')}. ${simulation}`,
    ].join('');

interface OutcomeProps {
    result: Transit;
    test: number;
    weights: Weighing | null;
    setWeights: (weights: Weighing | null) => void;
}

function Outcome({ result, test, weights, setWeights }: OutcomeProps) {
    const screens = result.candidates[0]?.after.map(({ screen }) => screen) ?? [];
    const [picked, setPicked] = useState<number | null>(null);
    const [chosen, setChosen] = useState<string | null>(null);
    const lines = picked !== null && screens.includes(picked) ? picked : result.screen;
    const screen = screens.indexOf(lines);
    const choose = (name: string) => setChosen(name === chosen ? null : name);
    return (
        <>
            <div className="mt-4 flex items-start gap-6">
                <div className="min-w-0 grow border-t-2 border-rule pt-2">
                    <div className="flex flex-wrap items-center gap-x-3 gap-y-1 text-[13px]">
                        <span className="text-soft">Seen on</span>
                        <Segments
                            label="Screen"
                            value={String(lines)}
                            options={screens.map((one) => ({ value: String(one), label: `${one} lines` }))}
                            onChange={(value) => setPicked(Number(value))}
                        />
                        {result.past !== null && (
                            <span className="text-soft">
                                Past {result.past}, twice the size gains less than{' '}
                                <Figures text={`${result.step} dB`} />.
                            </span>
                        )}
                        <a href={`/api/tests/${test}/csv`} download className="ml-auto text-rust hover:underline">
                            CSV
                        </a>
                        <a href={`/api/tests/${test}/json`} download className="text-rust hover:underline">
                            JSON
                        </a>
                    </div>
                    <Plot result={result} screen={screen} chosen={chosen} choose={choose} />
                </div>
                <Weights weights={weights ?? result.weights} isUsual={weights === null} onChange={setWeights} />
            </div>
            <Results result={result} screen={screen} chosen={chosen} choose={choose} test={test} />
        </>
    );
}

interface RecommendedProps {
    cut: number;
    sheet: Sheet;
    test: TransitTest;
    result: Transit;
}

/** The sentence, and the one step that puts the candidate on the sheet. */
function Recommended({ cut, sheet, test, result }: RecommendedProps) {
    const client = useQueryClient();
    const navigate = useNavigate();
    const draft = draftOf(sheet);
    const place = draft.outputs.findIndex(({ key }) => key === test.output);
    const candidate = test.candidates.find(({ name }) => name === result.recommended.name);
    const use = useMutation({
        mutationFn: () =>
            api.saveSheet(cut, {
                range: draft.range,
                version: sheet.version,
                outputs: draft.outputs.map((output, i) =>
                    i === place && candidate ? { ...output, edits: candidate.edits } : output,
                ),
            }),
        onSuccess: () => {
            client.removeQueries({ queryKey: keys.sheet(cut) });
            navigate(`/cuts/${cut}`);
        },
    });
    return (
        <div className="ml-auto flex max-w-[min(760px,100%)] flex-none items-center gap-4">
            <p aria-live="polite" className="max-w-[560px] text-right text-[13px] leading-[18px] text-balance">
                <Figures text={result.recommended.why} />
                {use.error && (
                    <span role="alert" className="block text-stop">
                        {use.error.message}
                    </span>
                )}
            </p>
            {candidate && (
                <KeepAsPreset key={candidate.name} test={test.id} candidate={candidate.name} hostName={test.hostName} />
            )}
            {place >= 0 && (
                <Button kind="primary" className="h-9" disabled={use.isPending} onClick={() => use.mutate()}>
                    Use it for column {place + 1}
                </Button>
            )}
        </div>
    );
}
