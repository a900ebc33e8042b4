import { useEffect, useState } from 'react';

interface Shown {
    frame: number;
    src: string;
    large: boolean;
}

/** Rests this long on a frame before it is asked for, so that holding an arrow key does not queue a hundred of them. */
const REST = 70;

/** The exact frame of the cut under a resting playhead, once the engine has decoded it. */
export function useExactFrame(cut: number, version: number, frame: number, still: boolean, large: boolean) {
    const [shown, setShown] = useState<Shown | null>(null);
    const [problem, setProblem] = useState(false);
    useEffect(() => {
        if (!still) {
            return;
        }
        let wanted = true;
        const src = `/api/cuts/${cut}/frames/${frame}?v=${version}${large ? '&large=1' : ''}`;
        const timer = setTimeout(() => {
            const picture = new Image();
            picture.onload = () => {
                if (wanted) {
                    setShown({ frame, src, large });
                    setProblem(false);
                }
            };
            picture.onerror = () => wanted && setProblem(true);
            picture.src = src;
        }, REST);
        return () => {
            wanted = false;
            clearTimeout(timer);
        };
    }, [cut, version, frame, still, large]);
    return { shown, exact: still && shown?.frame === frame, problem };
}
