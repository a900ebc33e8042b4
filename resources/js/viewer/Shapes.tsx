import type { Analysis, Curves } from '../api/types';
import type { View } from './useView';

interface Props {
    view: View;
    width: number;
    height: number;
    curves: Curves | undefined;
    found: Analysis | null | undefined;
}

/** The shape of the sound, the curve of detail, and the marks of what was found; drawn in pixels. */
export function Shapes({ view, width, height, curves, found }: Props) {
    const x = (frame: number) => ((frame - view.from) / (view.to - view.from)) * width;
    const columns = curves?.detail.length ?? 0;
    const place = (i: number) =>
        x((curves?.first ?? 0) + (i / columns) * ((curves?.last ?? 0) + 1 - (curves?.first ?? 0)));
    const points = (heights: number[]) =>
        heights.map((above, i) => `${place(i + 0.5).toFixed(1)},${(height - above).toFixed(1)}`).join('L');
    const loudness = (peak: number) => 2 + 0.72 * height * Math.sqrt(peak);
    const sound =
        curves === undefined || curves.peak.length === 0
            ? null
            : `M${place(0)},${height}L${points(curves.peak.map(loudness))}L${place(columns)},${height}Z`;
    const detail =
        curves === undefined || columns === 0
            ? null
            : `M${points(curves.detail.map((value) => 4 + 0.8 * height * value))}`;
    return (
        <svg width={width} height={height} className="pointer-events-none absolute inset-0" aria-hidden="true">
            <defs>
                <pattern
                    id="still-lines"
                    width="6"
                    height="6"
                    patternUnits="userSpaceOnUse"
                    patternTransform="rotate(45)"
                >
                    <line x1="0" y1="0" x2="0" y2="6" className="stroke-faint" strokeWidth="1" />
                </pattern>
            </defs>
            {found?.leftover.map((span) => (
                <Mark
                    key={span.firstFrame}
                    span={span}
                    x={x}
                    height={height}
                    label="left over"
                    fill="fill-caution-wash"
                />
            ))}
            {found?.still.map((span) => (
                <Mark key={span.firstFrame} span={span} x={x} height={height} label="still" pattern />
            ))}
            {sound !== null && <path d={sound} className="fill-line" />}
            {detail !== null && <path d={detail} className="fill-none stroke-note" strokeWidth="1.5" />}
            {found?.black.map((span) => (
                <Mark key={span.firstFrame} span={span} x={x} height={height} label="black" fill="fill-neutral" />
            ))}
            {found?.silence.map((span) => (
                <rect
                    key={span.firstFrame}
                    x={x(span.firstFrame)}
                    y={height - 3}
                    width={Math.max(2, x(span.lastFrame + 1) - x(span.firstFrame))}
                    height={3}
                    className="fill-caution"
                />
            ))}
        </svg>
    );
}

interface MarkProps {
    span: Analysis['black'][number];
    x: (frame: number) => number;
    height: number;
    label: string;
    fill?: string;
    pattern?: boolean;
}

function Mark({ span, x, height, label, fill, pattern }: MarkProps) {
    const left = x(span.firstFrame);
    const width = Math.max(2, x(span.lastFrame + 1) - left);
    return (
        <g>
            <rect
                x={left}
                y={0}
                width={width}
                height={height}
                className={fill}
                fill={pattern ? 'url(#still-lines)' : undefined}
            />
            {width > 7 * label.length && (
                <text
                    x={Math.max(left, 0) + 6}
                    y={14}
                    className={`font-sans text-[11px] ${fill === 'fill-neutral' ? 'fill-white' : 'fill-soft'}`}
                >
                    {label}
                </text>
            )}
        </g>
    );
}
