import { useEffect, useState } from 'react';

/** What a slider shows: the hand's place while it is dragged, and until the answer has come there too. */
export function useDragged(value: number) {
    const [dragged, setDragged] = useState<number | null>(null);
    useEffect(() => {
        if (dragged !== null && Math.abs(value - dragged) <= 0.005 * Math.abs(dragged)) {
            setDragged(null);
        }
    }, [value, dragged]);
    return { shown: dragged ?? value, drag: setDragged, release: () => setDragged(null) };
}
