import type { MouseEvent } from 'react';
import { useNavigate } from 'react-router';

/**
 * What a plain link does on a press: goes there without loading the application anew. A table of many rows has one of
 * this in place of a `Link` in each, which looks at the whole address every time that it is drawn.
 */
export function useFollow() {
    const navigate = useNavigate();
    return (event: MouseEvent<HTMLAnchorElement>) => {
        const elsewhere = event.button !== 0 || event.ctrlKey || event.metaKey || event.shiftKey || event.altKey;
        if (!elsewhere) {
            event.preventDefault();
            navigate(event.currentTarget.pathname + event.currentTarget.search);
        }
    };
}
