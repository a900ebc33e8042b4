import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useRef, useState } from 'react';
import { ApiError, api } from '../api/client';
import type { Range, Sheet } from '../api/types';
import { type Draft, draftOf, type Output } from './outputs';

interface History {
    past: Draft[];
    future: Draft[];
    /** Changes that share a name are one step: the keystrokes in one number field. */
    name: string | null;
}

/**
 * The sheet of a cut. A change shows at once, is saved and planned by the server, and the old figures stay, dimmed, until the
 * new ones are there. Every change can be undone.
 */
export function useSheet(cut: number) {
    const client = useQueryClient();
    const query = useQuery({ queryKey: ['sheet', cut], queryFn: () => api.sheet(cut) });
    const [wanted, setWanted] = useState<Draft | null>(null);
    const [problem, setProblem] = useState<string | null>(null);
    const [history, setHistory] = useState<History>({ past: [], future: [], name: null });
    const latest = useRef(0);
    const line = useRef(Promise.resolve());

    const sheet = query.data;
    const draft = wanted ?? (sheet === undefined ? { range: null, outputs: [] } : draftOf(sheet));

    const save = useCallback(
        (next: Draft) => {
            const turn = ++latest.current;
            setWanted(next);
            // One after the other, so that the last change is the one that stays; those overtaken while waiting are left out.
            line.current = line.current.then(async () => {
                if (turn !== latest.current) {
                    return;
                }
                try {
                    const answer: Sheet = await api.saveSheet(cut, next);
                    if (turn === latest.current) {
                        client.setQueryData(['sheet', cut], answer);
                        setWanted(null);
                        setProblem(null);
                    }
                } catch (error) {
                    if (turn === latest.current) {
                        setWanted(null);
                        setProblem(error instanceof ApiError ? error.message : 'The change could not be saved.');
                    }
                }
            });
        },
        [client, cut],
    );

    const change = (next: Draft, name: string | null = null) => {
        setHistory((h) =>
            name !== null && h.name === name
                ? { ...h, future: [] }
                : { past: [...h.past.slice(-99), draft], future: [], name },
        );
        save(next);
    };

    const undo = () => {
        const before = history.past.at(-1);
        if (before !== undefined) {
            setHistory({ past: history.past.slice(0, -1), future: [draft, ...history.future], name: null });
            save(before);
        }
    };

    const redo = () => {
        const after = history.future[0];
        if (after !== undefined) {
            setHistory({ past: [...history.past, draft], future: history.future.slice(1), name: null });
            save(after);
        }
    };

    return {
        query,
        sheet,
        outputs: draft.outputs,
        range: draft.range,
        change: (outputs: Output[], name: string | null = null) => change({ ...draft, outputs }, name),
        setRange: (range: Range | null) => change({ ...draft, range }, 'range'),
        undo,
        redo,
        canUndo: history.past.length > 0,
        canRedo: history.future.length > 0,
        planning: wanted !== null,
        problem,
        /** Waits for what is being saved. */
        settled: () => line.current,
    };
}
