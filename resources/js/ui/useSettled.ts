import { useEffect, useState } from 'react';

/** Milliseconds between two keystrokes, within which nothing is asked for. */
const PAUSE = 150;

/** A text once nothing has been typed for a moment. */
export function useSettled(text: string): string {
    const [settled, settle] = useState(text);
    useEffect(() => {
        const timer = window.setTimeout(() => settle(text), PAUSE);
        return () => window.clearTimeout(timer);
    }, [text]);
    return settled;
}
