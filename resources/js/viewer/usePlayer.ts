import { useCallback, useEffect, useRef, useState } from 'react';
import type { Cut, Range } from '../api/types';
import { framesPerSecond } from './timecode';

/** The playhead and the proxy's player, kept on whole frames. */
export function usePlayer(cut: Cut, range: Range, proxy: string | null) {
    const video = useRef<HTMLVideoElement>(null);
    const [frame, setFrame] = useState(0);
    const [playing, setPlaying] = useState(false);
    const rate = framesPerSecond(cut.frameRate);
    const last = cut.frames - 1;
    const now = useRef({ frame, last: range.last });
    now.current = { frame, last: range.last };

    /** Moves the playhead; the proxy follows. */
    const seek = useCallback(
        (wanted: number) => {
            const next = Math.max(0, Math.min(last, Math.round(wanted)));
            setFrame(next);
            if (video.current?.paused) {
                video.current.currentTime = (next + 0.5) / rate;
            }
        },
        [last, rate],
    );

    const pause = useCallback(() => video.current?.pause(), []);

    const toggle = useCallback(() => {
        const player = video.current;
        if (player === null) {
            return;
        }
        if (!player.paused) {
            player.pause();
            return;
        }
        // At the end of the range, or of the cut, playing begins anew.
        const from =
            now.current.frame >= last || now.current.frame === now.current.last ? range.first : now.current.frame;
        player.currentTime = (from + 0.5) / rate;
        player.play().catch(() => setPlaying(false));
    }, [last, range.first, rate]);

    // A new proxy is a new player.
    // biome-ignore lint/correctness/useExhaustiveDependencies: a new proxy is a new player
    useEffect(() => {
        const player = video.current;
        if (player === null) {
            return;
        }
        let asked = 0;
        let end = last;
        const shown = (_: number, { mediaTime }: VideoFrameCallbackMetadata) => {
            if (!player.paused) {
                const at = Math.min(last, Math.round(mediaTime * rate));
                setFrame(at);
                if (at >= end) {
                    player.pause();
                }
            }
            asked = player.requestVideoFrameCallback(shown);
        };
        const onPlay = () => {
            end = now.current.frame < now.current.last ? now.current.last : last;
            setPlaying(true);
        };
        const onPause = () => {
            setPlaying(false);
            // What was decoded ahead is not what is to be seen.
            player.currentTime = (Math.min(end, now.current.frame) + 0.5) / rate;
            setFrame((at) => Math.min(end, at));
        };
        const onReady = () => {
            player.currentTime = (now.current.frame + 0.5) / rate;
        };
        asked = player.requestVideoFrameCallback(shown);
        player.addEventListener('play', onPlay);
        player.addEventListener('pause', onPause);
        player.addEventListener('ended', onPause);
        player.addEventListener('loadedmetadata', onReady);
        return () => {
            player.cancelVideoFrameCallback(asked);
            player.removeEventListener('play', onPlay);
            player.removeEventListener('pause', onPause);
            player.removeEventListener('ended', onPause);
            player.removeEventListener('loadedmetadata', onReady);
        };
    }, [proxy, last, rate]);

    return { video, frame, seek, playing, toggle, pause, rate, last };
}

export type Player = ReturnType<typeof usePlayer>;
