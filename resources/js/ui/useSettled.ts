import { useEffect, useState } from 'react';

/** Milliseconds without typing before the text settles. */
const PAUSE = 150;

/** Returns the text once typing pauses. */
export function useSettled(text: string): string {
    const [settled, settle] = useState(text);
    useEffect(() => {
        const timer = window.setTimeout(() => settle(text), PAUSE);
        return () => window.clearTimeout(timer);
    }, [text]);
    return settled;
}
