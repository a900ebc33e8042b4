import { useLayoutEffect, useRef } from 'react';

/**
 * For what opens over a page: gives the focus back to what had it before. Where that has gone meanwhile, as a finding
 * that was answered, it goes to what stands at its place in the sheet.
 */
export function useFocusBack(open: boolean) {
    const before = useRef<Element | null>(null);
    // Noted before anything inside takes the focus, which happens in later effects.
    useLayoutEffect(() => {
        if (open) {
            before.current = document.activeElement;
        }
    }, [open]);
    return (event: Event) => {
        event.preventDefault();
        const had = before.current;
        if (!(had instanceof HTMLElement)) {
            return;
        }
        const place = had.dataset.at;
        const there = had.isConnected || place === undefined ? had : document.querySelector(`[data-at="${place}"]`);
        (there instanceof HTMLElement ? there : had).focus();
    };
}
