import { useCallback, useLayoutEffect, useRef } from 'react';

/** A function that stays the same from render to render and does what the latest one does; for handlers, not while rendering. */
export function useStable<A extends unknown[], R>(handler: (...args: A) => R): (...args: A) => R {
    const latest = useRef(handler);
    useLayoutEffect(() => {
        latest.current = handler;
    });
    return useCallback((...args: A) => latest.current(...args), []);
}
