import type { ComparisonView } from '../api/types';

interface Props {
    view: ComparisonView;
    frame: number;
    curve: number[] | null;
    worst: number[];
    seek: (frame: number) => void;
}

const [WIDTH, HEIGHT] = [1000, 62];

/** What is kept along time, and where each piece begins. */
export function TimeStrip({ view, frame, curve, worst, seek }: Props) {
    const x = (at: number) => ((at + 0.5) / view.frames) * WIDTH;
    const shown = curve?.filter((db) => db < 100) ?? [];
    const [low, high] = [Math.min(...shown), Math.max(...shown)];
    const y = (db: number) => 8 + ((high - Math.min(high, db)) / Math.max(0.5, high - low)) * (HEIGHT - 20);
    return (
        <div
            role="slider"
            tabIndex={0}
            aria-label="Frame"
            aria-valuemin={0}
            aria-valuemax={view.frames - 1}
            aria-valuenow={frame}
            className="relative h-full min-w-0 grow cursor-pointer border border-line"
            onPointerDown={(event) => {
                const box = event.currentTarget.getBoundingClientRect();
                seek(Math.floor(((event.clientX - box.left) / box.width) * view.frames));
            }}
        >
            <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} preserveAspectRatio="none" className="size-full" aria-hidden="true">
                {view.spans.map(({ at }) => (
                    <line
                        key={at}
                        x1={(at / view.frames) * WIDTH}
                        x2={(at / view.frames) * WIDTH}
                        y1="0"
                        y2={HEIGHT}
                        className="stroke-line"
                    />
                ))}
                {shown.length > 0 && (
                    <polyline
                        points={(curve ?? []).map((db, at) => `${x(at)},${y(db)}`).join(' ')}
                        className="fill-none stroke-note"
                        strokeWidth="1.5"
                        vectorEffect="non-scaling-stroke"
                    />
                )}
                {worst.map((at) => (
                    <line
                        key={at}
                        x1={x(at)}
                        x2={x(at)}
                        y1={HEIGHT - 8}
                        y2={HEIGHT}
                        className="stroke-caution"
                        strokeWidth="2"
                        vectorEffect="non-scaling-stroke"
                    />
                ))}
                <line
                    x1={x(frame)}
                    x2={x(frame)}
                    y1="0"
                    y2={HEIGHT}
                    className="stroke-ink"
                    vectorEffect="non-scaling-stroke"
                />
            </svg>
            <span className="absolute top-0.5 left-1.5 text-[11.5px] text-soft">
                {curve === null ? 'frames' : 'kept, frame by frame'}
            </span>
        </div>
    );
}
