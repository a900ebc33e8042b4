import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useRef, useState } from 'react';
import { ApiError, api } from '../api/client';
import { keys } from '../api/keys';
import { useMachine } from '../api/queries';
import type { Range, Sheet } from '../api/types';
import { useStable } from '../ui/useStable';
import { arrived, cancelling, empty, type History, keep, overtaken, recall, stepped, withdrawn } from './history';
import { type Draft, draftOf, type Output, sameDraft } from './outputs';

/** Pieces are being encoded for a better figure, or the cut's drive does not answer: it is asked for again. */
const again = (sheet: Sheet | undefined) => {
    if (sheet?.cut.fileState === 'silent') {
        return 5_000;
    }
    return sheet?.outputs.some((output) => output.plan.estimate.sampling) ? 1_000 : false;
};

/** Milliseconds between requests for samples. The server drops waiting samples that were not requested for five seconds. */
const WANTED_EVERY = 3_000;

/** Requests the samples that the estimates need. GET has no side effects, and viewers may not request samples. */
function useWantedSamples(cut: number, sheet: Sheet | undefined, isAtRest: boolean) {
    const client = useQueryClient();
    const role = useMachine().data?.role;
    const isThere = sheet !== undefined && role !== undefined && role !== 'viewer';
    const isSampling = sheet?.outputs.some((output) => output.plan.estimate.sampling) ?? false;
    const rest = useRef(isAtRest);
    useEffect(() => {
        rest.current = isAtRest;
    });
    const want = useCallback(() => {
        // If the request fails, the sheet stays as it is.
        api.wantSheet(cut).then(
            (answer) =>
                rest.current &&
                // A change may have been saved since it was asked.
                client.setQueryData(keys.sheet(cut), (now: Sheet | undefined) =>
                    now !== undefined && now.version > answer.version ? now : answer,
                ),
            () => undefined,
        );
    }, [client, cut]);
    useEffect(() => {
        isThere && want();
    }, [isThere, want]);
    useEffect(() => {
        if (isThere && isSampling) {
            const timer = window.setInterval(() => !document.hidden && want(), WANTED_EVERY);
            return () => window.clearInterval(timer);
        }
    }, [isThere, isSampling, want]);
}

/**
 * The sheet of a cut. A change shows at once, is saved and planned by the server, and the old figures stay, dimmed, until the
 * new ones are there. Every change can be undone, after a reload too.
 */
export function useSheet(cut: number) {
    const client = useQueryClient();
    const [wanted, setWanted] = useState<Draft | null>(null);
    const [problem, setProblem] = useState<string | null>(null);
    const [told, setTold] = useState<string[]>([]);
    const [history, setHistory] = useState<History | null>(null);
    const query = useQuery({
        queryKey: keys.sheet(cut),
        queryFn: () => api.sheet(cut),
        // What is asked in the middle of a change would answer with what was before it.
        refetchInterval: (current) => (wanted === null ? again(current.state.data) : false),
    });
    useWantedSamples(cut, query.data, wanted === null);
    const latest = useRef(0);
    const line = useRef(Promise.resolve());
    const unsent = useRef<Draft | null>(null);
    /** What was saved last, or is being saved. */
    const last = useRef<Draft | null>(null);
    /** Whether what is being saved is to be packed then, and also what was made already. */
    const packing = useRef<{ again: boolean } | null>(null);
    /** The page was left while that waited: both were handed over. It may come back as it was. */
    const handedOver = useRef<Promise<unknown> | null>(null);
    const failures = useRef<unknown[]>([]);
    /** What the page shows began from this: another window may have saved since then. */
    const version = useRef<number | undefined>(undefined);

    const sheet = query.data;
    if (sheet !== undefined && wanted === null) {
        version.current = sheet.version;
    }
    const draft = wanted ?? (sheet === undefined ? { range: null, outputs: [] } : draftOf(sheet));

    // What still waits in line when the page is left or reloaded goes out at once, and with it the wish to pack it.
    useEffect(() => {
        const leave = () => {
            if (packing.current !== null && last.current !== null) {
                const { again } = packing.current;
                handedOver.current = api.saveAndPack(cut, { ...last.current, version: version.current }, again);
                handedOver.current.catch(() => undefined);
                packing.current = unsent.current = null;
            } else if (unsent.current !== null) {
                api.saveSheet(cut, { ...unsent.current, version: version.current }).catch(() => undefined);
                unsent.current = null;
            }
        };
        window.addEventListener('pagehide', leave);
        return () => window.removeEventListener('pagehide', leave);
    }, [cut]);

    const save = useCallback(
        (next: Draft) => {
            const turn = ++latest.current;
            setWanted(next);
            unsent.current = last.current = next;
            client.cancelQueries({ queryKey: keys.sheet(cut) });
            // One after the other, so that the last change is the one that stays; those overtaken while waiting are left out.
            line.current = line.current.then(async () => {
                if (turn !== latest.current) {
                    return;
                }
                unsent.current = null;
                try {
                    const answer: Sheet = await api.saveSheet(cut, { ...next, version: version.current });
                    arrived(cut, next);
                    // What comes next in line began from this, unless another window's work was merged in.
                    version.current = sameDraft(next, draftOf(answer)) ? answer.version : version.current;
                    setTold((before) => (answer.told.length > 0 ? answer.told : before));
                    if (turn === latest.current) {
                        client.setQueryData(keys.sheet(cut), answer);
                        setWanted(null);
                        setProblem(null);
                    }
                } catch (error) {
                    failures.current.push(error);
                    if (turn === latest.current) {
                        setWanted(null);
                        setProblem(error instanceof ApiError ? error.message : 'The change could not be saved.');
                    }
                }
            });
        },
        [client, cut],
    );

    useEffect(() => {
        if (history === null && sheet !== undefined) {
            const ahead = overtaken(cut, draftOf(sheet));
            setHistory(ahead?.history ?? recall(cut, draftOf(sheet)));
            if (ahead !== null) {
                save(ahead.draft);
            }
        }
    }, [cut, history, sheet, save]);

    const go = (steps: History, next: Draft) => {
        setHistory(steps);
        keep(cut, steps, next);
        save(next);
    };
    // A key that comes before the steps of an earlier page were taken up finds them all the same.
    const steps = history ?? (sheet === undefined ? empty : recall(cut, draftOf(sheet)));

    const change = (next: Draft, name: string | null = null) =>
        go(name === cancelling ? withdrawn(steps, draft, next) : stepped(steps, draft, name), next);

    const undo = () => {
        const before = steps.past.at(-1);
        if (before !== undefined) {
            go({ past: steps.past.slice(0, -1), future: [draft, ...steps.future], name: null }, before);
        }
    };

    const redo = () => {
        const after = steps.future[0];
        if (after !== undefined) {
            go({ past: [...steps.past, draft], future: steps.future.slice(1), name: null }, after);
        }
    };

    const settled = async () => {
        const before = failures.current.length;
        await line.current;
        if (failures.current.length > before) {
            throw failures.current.at(-1);
        }
    };

    return {
        query,
        sheet,
        outputs: draft.outputs,
        range: draft.range,
        change: (outputs: Output[], name: string | null = null) => change({ ...draft, outputs }, name),
        // Each mark is a step of its own, however long it is dragged.
        setRange: useStable((range: Range | null) =>
            change({ ...draft, range }, range?.first === draft.range?.first ? 'last frame' : 'first frame'),
        ),
        undo,
        redo,
        canUndo: steps.past.length > 0,
        canRedo: steps.future.length > 0,
        planning: wanted !== null,
        problem,
        /** What another window changed, too. */
        told,
        dismiss: () => setTold([]),
        /** Waits for what is being saved; fails where that failed, so that nothing is made of what the sheet was before. */
        settled,
        /** Packs the sheet once it is saved. */
        pack: async (again: boolean) => {
            packing.current = { again };
            handedOver.current = null;
            try {
                await settled();
            } catch (error) {
                // A request that was cut off with the page is none that failed: the other one carries the same.
                if (handedOver.current === null) {
                    throw error;
                }
            } finally {
                packing.current = null;
            }
            await (handedOver.current ?? api.pack(cut, again));
        },
    };
}
