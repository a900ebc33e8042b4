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
    /** In pixels, where it is small. */
    height: number;
}

/** Height of what stands below the picture. */
const CONTROLS = 24;

/** The picture: the proxy while it plays, the exact frame of the cut while it rests. */
export function Viewer({ cut, analysis, player, large, setLarge, height }: Props) {
    const { video, frame, playing, toggle } = player;
    const proxy = analysis?.proxy ?? null;
    const version = Number(new URLSearchParams(cut.poster.split('?')[1]).get('v'));
    const { shown, exact, problem } = useExactFrame(cut.id, version, frame, !playing, large);
    // Without a proxy the last exact frame stays until the next one is there.
    const visible = shown !== null && !playing && (exact || proxy === null);
    const fault = cut.fileState === 'here' ? 'this frame cannot be decoded' : 'the file is out of reach';
    const state = playing ? 'proxy' : exact ? 'exact' : problem ? (large ? fault : 'no frame') : 'decoding …';
    return (
        <div
            className={`group flex flex-none flex-col ${large ? 'h-[max(240px,calc(100dvh-330px))] w-full' : ''}`}
            style={large ? undefined : { height, width: Math.round(((height - CONTROLS) * 16) / 9) }}
        >
            <div className="relative min-h-0 flex-1 overflow-hidden bg-neutral">
                {proxy !== null && (
                    // biome-ignore lint/a11y/useMediaCaption: a proxy of a cut; it has no captions
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
            </div>
            <div className="flex h-6 flex-none items-center gap-2 border border-t-0 border-line bg-sunk px-1 text-[11.5px]">
                <button
                    type="button"
                    aria-label={playing ? 'Pause' : 'Play'}
                    title={proxy === null ? 'It can be played once its proxy is made' : 'Play or pause (Space)'}
                    disabled={proxy === null}
                    onClick={toggle}
                    className="flex size-5 items-center justify-center rounded hover:bg-line disabled:opacity-40"
                >
                    {playing ? <Pause size={12} fill="currentColor" /> : <Play size={12} fill="currentColor" />}
                </button>
                <output className="figure" aria-label="Playhead" data-frame={frame}>
                    {timecode(frame, cut.timecode)}
                </output>
                <span
                    title={problem && !exact && !playing ? fault : undefined}
                    className={`ml-auto whitespace-nowrap text-soft ${large || problem ? '' : 'opacity-0 group-hover:opacity-100'}`}
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
                    className="flex size-5 items-center justify-center rounded hover:bg-line"
                >
                    {large ? <Minimize2 size={12} /> : <Maximize2 size={12} />}
                </button>
            </div>
        </div>
    );
}
