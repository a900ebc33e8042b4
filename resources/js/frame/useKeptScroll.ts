import { useLayoutEffect, useRef } from 'react';
import { useLocation, useNavigationType } from 'react-router';

const places = new Map<string, number>();

/** How far the page was scrolled: Back leads to where one was, a new page begins at its top. */
export function useKeptScroll() {
    const main = useRef<HTMLElement>(null);
    const { key } = useLocation();
    const how = useNavigationType();
    useLayoutEffect(() => {
        const element = main.current;
        if (element === null) {
            return;
        }
        const wanted = how === 'POP' ? (places.get(key) ?? 0) : 0;
        element.scrollTop = wanted;
        // What is still being read grows afterwards.
        const observer = new MutationObserver(() => {
            element.scrollTop = Math.max(element.scrollTop, wanted);
            if (element.scrollTop >= wanted) {
                observer.disconnect();
            }
        });
        if (wanted > 0) {
            observer.observe(element, { childList: true, subtree: true });
        }
        const keep = () => places.set(key, element.scrollTop);
        element.addEventListener('scroll', keep, { passive: true });
        return () => {
            observer.disconnect();
            element.removeEventListener('scroll', keep);
        };
    }, [key, how]);
    return main;
}
