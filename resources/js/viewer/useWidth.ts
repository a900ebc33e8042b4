import { useLayoutEffect, useRef, useState } from 'react';

/**
 * The width of an element in pixels, as it changes.
 *
 * @param expected before it is laid out: where that is right, nothing is drawn twice
 */
export function useWidth<T extends HTMLElement>(expected: () => number = () => 0) {
    const element = useRef<T>(null);
    const [width, setWidth] = useState(expected);
    useLayoutEffect(() => {
        const watched = element.current;
        if (watched === null) {
            return;
        }
        const observer = new ResizeObserver(() => setWidth(watched.clientWidth));
        observer.observe(watched);
        setWidth(watched.clientWidth);
        return () => observer.disconnect();
    }, []);
    return [element, width] as const;
}
