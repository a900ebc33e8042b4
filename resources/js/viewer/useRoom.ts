import { useSyncExternalStore } from 'react';

/** Height of the stage in a window that has just room for the sheet, in pixels. */
const LEAST = 128;

const MOST = 480;

/** Height of everything else: the frame, the title, the rows of the sheet. */
const REST = 690;

const follow = (tell: () => void) => {
    window.addEventListener('resize', tell);
    return () => window.removeEventListener('resize', tell);
};

/** What a window of this size leaves for picture and strip; the picture takes three tenths of its width at most. */
export function roomOf(width: number, height: number): number {
    const wide = 0.3 * width * (9 / 16) + 24;
    return Math.round(Math.max(LEAST, Math.min(MOST, height - REST, wide)));
}

/** Height for the picture and the strip beside it, in pixels; it grows with the window. */
export const useRoom = () => useSyncExternalStore(follow, () => roomOf(window.innerWidth, window.innerHeight));
