import { useLayoutEffect } from 'react';
import { takesKey } from '../ui/typing';

/** Keys of the page, but while something is typed or chosen. */
export function useCompareKeys(
    keys: Record<string, (event: KeyboardEvent) => void>,
    up: Record<string, () => void> = {},
) {
    // With what is shown, not a moment later: a key that follows at once acts on what is seen.
    useLayoutEffect(() => {
        const onDown = (event: KeyboardEvent) => {
            const act = keys[event.key.toLowerCase()];
            if (act && !takesKey(event) && !event.ctrlKey && !event.metaKey && !event.altKey) {
                event.preventDefault();
                act(event);
            }
        };
        const onUp = (event: KeyboardEvent) => up[event.key.toLowerCase()]?.();
        window.addEventListener('keydown', onDown);
        window.addEventListener('keyup', onUp);
        return () => {
            window.removeEventListener('keydown', onDown);
            window.removeEventListener('keyup', onUp);
        };
    });
}
