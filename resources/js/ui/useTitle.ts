import { useEffect } from 'react';

/** Names the page in the window's title. */
export function useTitle(name: string | undefined) {
    useEffect(() => {
        document.title = name === undefined ? 'Outer Crate' : `${name} · Outer Crate`;
    }, [name]);
}
