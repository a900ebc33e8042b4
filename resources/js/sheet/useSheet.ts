import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useRef, useState } from 'react';
import { ApiError, api } from '../api/client';
import type { Sheet } from '../api/types';
import { type Output, outputsOf } from './outputs';

interface History {
    past: Output[][];
    future: Output[][];
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
    const [wanted, setWanted] = useState<Output[] | null>(null);
    const [problem, setProblem] = useState<string | null>(null);
    const [history, setHistory] = useState<History>({ past: [], future: [], name: null });
    const latest = useRef(0);
    const line = useRef(Promise.resolve());

    const sheet = query.data;
    const outputs = wanted ?? (sheet === undefined ? [] : outputsOf(sheet));

    const save = useCallback(
        (next: Output[]) => {
            const turn = ++latest.current;
            setWanted(next);
            // One after the other, so that the last change is the one that stays; those overtaken while waiting are left out.
            line.current = line.current.then(async () => {
                if (turn !== latest.current) {
                    return;
                }
                try {
                    const answer: Sheet = await api.saveSheet(cut, { outputs: next });
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

    const change = (next: Output[], name: string | null = null) => {
        setHistory((h) =>
            name !== null && h.name === name
                ? { ...h, future: [] }
                : { past: [...h.past.slice(-99), outputs], future: [], name },
        );
        save(next);
    };

    const undo = () => {
        const before = history.past.at(-1);
        if (before !== undefined) {
            setHistory({ past: history.past.slice(0, -1), future: [outputs, ...history.future], name: null });
            save(before);
        }
    };

    const redo = () => {
        const after = history.future[0];
        if (after !== undefined) {
            setHistory({ past: [...history.past, outputs], future: history.future.slice(1), name: null });
            save(after);
        }
    };

    return {
        query,
        sheet,
        outputs,
        change,
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
