import { useCallback, useEffect, useRef, useState } from 'react';

/** Milliseconds after the last key: what was typed by then is a change, and is to show within a tenth of a second. */
const PAUSE = 50;

/**
 * Keeps what is typed while it is typed, and passes it on a moment after the last key; at once when the field is left or goes
 * away. What is dragged is passed on as it comes.
 */
export function useTyped(value: string, pass: (text: string) => void) {
    const [own, setOwn] = useState<string | null>(null);
    const timer = useRef<number | undefined>(undefined);
    const waiting = useRef<string | null>(null);
    const latest = useRef(pass);
    useEffect(() => {
        latest.current = pass;
    });
    const flush = useCallback(() => {
        window.clearTimeout(timer.current);
        const text = waiting.current;
        waiting.current = null;
        if (text !== null) {
            latest.current(text);
        }
    }, []);
    useEffect(() => flush, [flush]);
    // Esc cancels: what is typed and not passed on yet is let go, before whatever closes the field.
    useEffect(() => {
        const cancel = (event: KeyboardEvent) => {
            if (event.key === 'Escape') {
                window.clearTimeout(timer.current);
                waiting.current = null;
                setOwn(null);
            }
        };
        window.addEventListener('keydown', cancel, true);
        return () => window.removeEventListener('keydown', cancel, true);
    }, []);
    const take = (text: string) => {
        setOwn(text);
        waiting.current = text;
        window.clearTimeout(timer.current);
    };
    return {
        typed: own ?? value,
        type: (text: string) => {
            take(text);
            timer.current = window.setTimeout(flush, PAUSE);
        },
        drag: (text: string) => {
            take(text);
            flush();
        },
        flush,
        /** From here on the value is shown again. */
        settle: () => {
            flush();
            setOwn(null);
        },
    };
}
