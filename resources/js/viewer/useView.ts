import { useCallback, useState } from 'react';

/** The frames that the strip shows: from one to another, the second one excluded; both may lie inside a frame. */
export interface View {
    from: number;
    to: number;
}

/** Frames that are shown when it is zoomed in as far as it goes. */
const FEWEST = 12;

export function useView(frames: number) {
    const [view, setView] = useState<View>({ from: 0, to: frames });

    const show = useCallback(
        (from: number, span: number) => {
            const width = Math.max(Math.min(FEWEST, frames), Math.min(frames, span));
            const start = Math.max(0, Math.min(frames - width, from));
            setView({ from: start, to: start + width });
        },
        [frames],
    );

    /** Zooms by a factor about a place that stays where it is. */
    const zoom = useCallback(
        (factor: number, about: number) => {
            setView(({ from, to }) => {
                const span = Math.max(Math.min(FEWEST, frames), Math.min(frames, (to - from) * factor));
                const share = (about - from) / (to - from);
                const start = Math.max(0, Math.min(frames - span, about - share * span));
                return { from: start, to: start + span };
            });
        },
        [frames],
    );

    /** Moves just far enough for a frame to be seen. */
    const reveal = useCallback(
        (frame: number) => {
            setView((current) => {
                const span = current.to - current.from;
                if (frame >= current.from && frame + 1 <= current.to) {
                    return current;
                }
                const start = Math.max(0, Math.min(frames - span, frame < current.from ? frame : frame + 1 - span));
                return { from: start, to: start + span };
            });
        },
        [frames],
    );

    return { view, show, zoom, reveal };
}
