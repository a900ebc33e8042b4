import { useLayoutEffect, useRef, useState } from 'react';

/** The width of an element in pixels, as it changes. */
export function useWidth<T extends HTMLElement>() {
    const element = useRef<T>(null);
    const [width, setWidth] = useState(0);
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
