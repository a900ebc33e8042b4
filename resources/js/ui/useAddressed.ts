import { useEffect, useRef, useState } from 'react';

type SetQuery = (query: URLSearchParams, options: { replace: boolean }) => void;

/**
 * What is typed or set on a page, and stands in its address as well, so that Back keeps it. The page has it at once; the address is drawn
 * when there is time, and a field or slider that waited for it would lose what is typed or moved meanwhile.
 *
 * @returns the text, and what changes it
 */
export function useAddressed(name: string, query: URLSearchParams, setQuery: SetQuery) {
    const there = query.get(name) ?? '';
    const [text, show] = useState(there);
    const sent = useRef<string[]>([]);
    useEffect(() => {
        const own = sent.current.indexOf(there);
        // Where somebody else led: a link to the page as it begins.
        own < 0 && show(there);
        sent.current.splice(0, own + 1);
    }, [there]);
    const change = (next: string) => {
        const address = new URLSearchParams(query);
        next === '' ? address.delete(name) : address.set(name, next);
        sent.current = next === there ? [] : [...sent.current, next];
        show(next);
        setQuery(address, { replace: true });
    };
    return [text, change] as const;
}
