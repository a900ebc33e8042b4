import { useEffect, useRef, useState } from 'react';
import type { Dispatch } from '../api/types';
import { useStable } from '../ui/useStable';

type Details = Dispatch['details'];

/** Milliseconds after the last key until what was typed is kept. */
const PAUSE = 400;

/** Details with a change over them; of the answers, those that it names. */
function laidOver<T extends Partial<Details>>(before: T, change: Partial<Details>): T {
    const both = { ...before, ...change };
    return change.declarations === undefined
        ? both
        : { ...both, declarations: { ...before.declarations, ...change.declarations } };
}

/**
 * What is said of a video, kept as it is typed.
 *
 * @param said what is kept already
 * @param keep keeps a change
 */
export function useDetails(said: Details, keep: (change: Partial<Details>) => Promise<unknown>) {
    const [own, setOwn] = useState<Partial<Details>>({});
    const waiting = useRef<Partial<Details>>({});
    const timer = useRef<number | undefined>(undefined);
    const onItsWay = useRef(false);
    const details = laidOver(said, own);
    // One change after another: the later of two that were on their way at once could arrive first.
    const flush = useStable((leaving = false) => {
        window.clearTimeout(timer.current);
        const change = waiting.current;
        if (Object.keys(change).length === 0 || (onItsWay.current && !leaving)) {
            return;
        }
        waiting.current = {};
        onItsWay.current = true;
        keep(change).then(
            () => {
                onItsWay.current = false;
                // What was typed meanwhile stays as it was typed.
                Object.keys(waiting.current).length === 0 ? setOwn({}) : flush();
            },
            // It goes out again with whatever is typed next.
            () => {
                onItsWay.current = false;
                waiting.current = laidOver(change, waiting.current);
            },
        );
    });
    // What waits when the page is left goes out at once.
    useEffect(() => {
        const leave = () => flush(true);
        window.addEventListener('pagehide', leave);
        return () => {
            window.removeEventListener('pagehide', leave);
            leave();
        };
    }, [flush]);
    const change = (patch: Partial<Details>) => {
        setOwn((before) => laidOver(before, patch));
        waiting.current = laidOver(waiting.current, patch);
        window.clearTimeout(timer.current);
        timer.current = window.setTimeout(flush, PAUSE);
    };
    /** What was said before is what counts. */
    const forget = () => {
        waiting.current = {};
        setOwn({});
    };
    return { details, change, flush, forget };
}
