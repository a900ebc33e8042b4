import type { Cut, Plan } from '../../api/types';
import { Figures } from '../../ui/Figures';

/** The cut's frame, the frame that is made, and the part of it that the picture fills, drawn to one scale. */
export function SizeDrawing({ cut, plan }: { cut: Cut; plan: Plan }) {
    const size = plan.values.frameSize;
    const [numerator = 1, denominator = 1] = size.sampleAspect.split('/').map(Number);
    const pixel = numerator / denominator;
    const frames = [
        { width: cut.displayWidth, height: cut.displayHeight },
        { width: size.width * pixel, height: size.height },
    ];
    const scale = 72 / Math.max(...frames.map((frame) => Math.max(frame.width / 1.9, frame.height)));
    const [before, after] = frames as [(typeof frames)[0], (typeof frames)[0]];
    const inside = { width: size.pictureWidth * pixel, height: size.pictureHeight };
    return (
        <figure className="mb-3 flex items-end gap-3 border-b border-line pb-3">
            <svg
                width={228}
                height={76}
                viewBox="-114 -38 228 76"
                role="img"
                aria-label={`${size.label}; the cut is shown at ${cut.displayWidth}×${cut.displayHeight}`}
            >
                <rect
                    {...centred(after.width * scale, after.height * scale)}
                    className={size.shape === 'crop' ? 'fill-neutral' : 'fill-black'}
                />
                <rect {...centred(inside.width * scale, inside.height * scale)} className="fill-neutral" />
                <rect
                    {...centred(after.width * scale, after.height * scale)}
                    className="fill-none stroke-rust"
                    strokeWidth={1.5}
                />
                <rect
                    {...centred(before.width * scale, before.height * scale)}
                    className="fill-none stroke-ink"
                    strokeDasharray="3 3"
                />
            </svg>
            <figcaption className="pb-1 text-[12px] leading-[18px] text-soft">
                <span className="block">
                    <span className="text-ink">- -</span> the cut <Figures text={`${before.width}×${before.height}`} />
                </span>
                <span className="block">
                    <span className="text-rust">—</span> this file <Figures text={`${size.width}×${size.height}`} />
                </span>
            </figcaption>
        </figure>
    );
}

const centred = (width: number, height: number) => ({ x: -width / 2, y: -height / 2, width, height });
