import type { Cut } from '../api/types';
import { framesPerSecond, timecode } from './timecode';
import type { View } from './useView';

/** Room that a label needs, in pixels. */
const ROOM = 92;

/** Timecodes at round places, as close as their labels allow. */
export function Ruler({ cut, view, width, height }: { cut: Cut; view: View; width: number; height: number }) {
    const perSecond = framesPerSecond(cut.frameRate);
    const second = Math.max(1, cut.timecode.perSecond);
    const steps = [1, 2, 5, 10, ...[1, 2, 5, 10, 30, 60, 120, 300, 600, 1800, 3600, 7200].map((s) => s * second)];
    const span = view.to - view.from;
    const step = steps.find((frames) => (frames / span) * width >= ROOM) ?? 3600 * second;
    const first = Math.ceil(view.from / step) * step;
    const marks = [];
    for (let frame = first; frame < view.to && marks.length < 60; frame += step) {
        marks.push(frame);
    }
    return (
        <div className="relative border-b border-line text-[11px] text-faint" style={{ height }} aria-hidden="true">
            {perSecond > 0 &&
                marks.map((frame) => {
                    const left = ((frame - view.from) / span) * width;
                    return (
                        <span key={frame} className="absolute inset-y-0 border-l border-line pl-1.5" style={{ left }}>
                            {left < width - ROOM + 10 && (
                                <span className="figure">{timecode(frame, cut.timecode)}</span>
                            )}
                        </span>
                    );
                })}
        </div>
    );
}
