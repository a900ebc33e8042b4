import { Maximize2, Minimize2, Pause, Play } from 'lucide-react';
import type { Cut, CutAnalysis } from '../api/types';
import { timecode } from './timecode';
import { useExactFrame } from './useExactFrame';
import type { Player } from './usePlayer';

interface Props {
    cut: Cut;
    analysis: CutAnalysis | undefined;
    player: Player;
    large: boolean;
    setLarge: (large: boolean) => void;
}

/** The picture: the proxy while it plays, the exact frame of the cut while it rests. */
export function Viewer({ cut, analysis, player, large, setLarge }: Props) {
    const { video, frame, playing, toggle } = player;
    const proxy = analysis?.proxy ?? null;
    const version = Number(new URLSearchParams(cut.poster.split('?')[1]).get('v'));
    const { shown, exact, problem } = useExactFrame(cut.id, version, frame, !playing, large);
    // Without a proxy the last exact frame stays until the next one is there.
    const visible = shown !== null && !playing && (exact || proxy === null);
    const state = playing ? 'proxy' : exact ? 'exact' : problem ? 'this frame cannot be decoded' : 'decoding …';
    return (
        <div
            className={`group relative flex-none overflow-hidden bg-neutral ${large ? 'h-[min(46vh,440px)] w-full' : 'h-[124px] w-[220px]'}`}
        >
            {proxy !== null && (
                <video
                    ref={video}
                    src={proxy}
                    preload="auto"
                    playsInline
                    className="absolute inset-0 size-full object-contain"
                    aria-label={`${cut.name}, playing`}
                />
            )}
            {shown === null && !playing && (
                <img src={cut.poster} alt="" className="absolute inset-0 size-full object-contain opacity-60" />
            )}
            {visible && (
                <img
                    src={shown.src}
                    alt={`Frame ${shown.frame} of ${cut.name}`}
                    className="absolute inset-0 size-full object-contain"
                />
            )}
            <div className="absolute inset-x-0 bottom-0 flex items-center gap-2 bg-black/65 px-1.5 py-0.5 text-[11.5px] text-white">
                <button
                    type="button"
                    aria-label={playing ? 'Pause' : 'Play'}
                    title={proxy === null ? 'It can be played once its proxy is made' : 'Play or pause (Space)'}
                    disabled={proxy === null}
                    onClick={toggle}
                    className="flex size-5 items-center justify-center rounded hover:bg-white/20 disabled:opacity-40"
                >
                    {playing ? <Pause size={12} fill="currentColor" /> : <Play size={12} fill="currentColor" />}
                </button>
                <output className="figure" aria-label="Playhead" data-frame={frame}>
                    {timecode(frame, cut.timecode)}
                </output>
                <span
                    className={`ml-auto ${large || problem ? '' : 'opacity-0 group-hover:opacity-100'}`}
                    data-state={playing ? 'playing' : exact ? 'exact' : 'waiting'}
                >
                    {state}
                </span>
                <button
                    type="button"
                    aria-label={large ? 'Make the picture small' : 'Make the picture large'}
                    title={large ? 'Small picture' : 'Large picture'}
                    aria-pressed={large}
                    onClick={() => setLarge(!large)}
                    className="flex size-5 items-center justify-center rounded hover:bg-white/20"
                >
                    {large ? <Minimize2 size={12} /> : <Maximize2 size={12} />}
                </button>
            </div>
        </div>
    );
}
