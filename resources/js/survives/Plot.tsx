import { Fragment } from 'react';
import type { Transit } from '../api/types';
import { useWidth } from '../viewer/useWidth';

interface Props {
    result: Transit;
    /** Place of the screen in each candidate's list. */
    screen: number;
    chosen: string | null;
    choose: (name: string) => void;
}

/** Pixels, as it is laid out: what is written keeps its size on a narrow screen. */
const HEIGHT = 270;
const NARROWEST = 420;
/** What stands beside it on its page: the edges, the weights and the gap before them. */
const BESIDE = 2 * 20 + 240 + 24;
/** From the middle of one size's label to that of the next. */
const APART = 54;
const [LEFT, RIGHT, TOP, BOTTOM] = [56, 30, 30, 46];

/** Round steps of which there are a handful between two figures. */
function steps(from: number, to: number): number[] {
    const rough = Math.max(1e-6, to - from) / 4;
    const power = 10 ** Math.floor(Math.log10(rough));
    const step = [1, 2, 5, 10].map((times) => times * power).find((size) => size >= rough) ?? rough;
    const first = Math.ceil(from / step);
    return Array.from({ length: Math.max(0, Math.floor(to / step) - first + 1) }, (_, i) => (first + i) * step);
}

/** Sizes that a person would name, from the one to the other: as many as there is room for. */
function sizes(from: number, to: number, width: number): number[] {
    const decade = (width * Math.LN10) / Math.log(to / from);
    const named = decade * Math.log10(2) >= APART ? [1, 2, 5] : [1];
    return Array.from({ length: 16 }, (_, power) => named.map((times) => times * 10 ** power))
        .flat()
        .filter((bytes) => bytes >= from && bytes <= to);
}

const sizeLabel = (bytes: number) =>
    bytes >= 1e9 ? `${bytes / 1e9} GB` : bytes >= 1e6 ? `${bytes / 1e6} MB` : `${bytes / 1e3} kB`;

/** Size of the upload along the bottom, what is kept upwards; the table below says the same in figures. */
export function Plot(props: Props) {
    const [frame, width] = useWidth<HTMLDivElement>(() => document.documentElement.clientWidth - BESIDE);
    return (
        <div ref={frame}>
            <Drawing {...props} width={Math.max(NARROWEST, width)} />
        </div>
    );
}

function Drawing({ result, screen, chosen, choose, width }: Props & { width: number }) {
    const dots = result.candidates.map(({ name, upload, after }) => ({
        name,
        bytes: upload.bytes,
        db: after[screen]?.ssimDb ?? 0,
        margin: after[screen]?.margin ?? 0,
        label: upload.bytesLabel,
    }));
    const lines = result.candidates[0]?.after[screen]?.screen;
    const low = Math.min(...dots.map(({ db, margin }) => db - margin));
    const high = Math.max(...dots.map(({ db, margin }) => db + margin));
    const room = Math.max(0.2, (high - low) * 0.15);
    const [bottom, top] = [low - room, high + room];
    const [least, most] = [Math.min(...dots.map((d) => d.bytes)) / 1.4, Math.max(...dots.map((d) => d.bytes)) * 1.4];
    const x = (bytes: number) =>
        LEFT + ((Math.log(bytes) - Math.log(least)) / (Math.log(most) - Math.log(least))) * (width - LEFT - RIGHT);
    const y = (db: number) => TOP + ((top - db) / (top - bottom)) * (HEIGHT - TOP - BOTTOM);
    const edge = result.edge.flatMap((name) => dots.find((dot) => dot.name === name) ?? []);
    const best = dots.find(({ name }) => name === result.recommended.name);
    return (
        // biome-ignore lint/a11y/useSemanticElements: drawn controls have no such elements
        <svg
            viewBox={`0 0 ${width} ${HEIGHT}`}
            className="w-full"
            role="group"
            aria-label={`Size of the upload against what is kept on a screen of ${lines} lines. The table says the same.`}
        >
            <text x={LEFT} y={16} className="fill-soft text-[12px]">
                kept after the host, SSIM in dB
            </text>
            <text x={width - RIGHT} y={HEIGHT - 4} textAnchor="end" className="fill-soft text-[12px]">
                size of the upload
            </text>
            {steps(bottom, top).map((db) => (
                <g key={db}>
                    <line x1={LEFT} x2={width - RIGHT} y1={y(db)} y2={y(db)} className="stroke-line" />
                    <text x={LEFT - 8} y={y(db) + 4} textAnchor="end" className="figure fill-soft text-[11px]">
                        {Number(db.toFixed(3))}
                    </text>
                </g>
            ))}
            <line x1={LEFT} x2={width - RIGHT} y1={HEIGHT - BOTTOM} y2={HEIGHT - BOTTOM} className="stroke-rule" />
            {sizes(least, most, width - LEFT - RIGHT).map((bytes) => (
                <text
                    key={bytes}
                    x={x(bytes)}
                    y={HEIGHT - BOTTOM + 18}
                    textAnchor="middle"
                    className="figure fill-soft text-[11px]"
                >
                    {sizeLabel(bytes)}
                </text>
            ))}
            {best && (
                <rect
                    x={LEFT}
                    width={width - LEFT - RIGHT}
                    y={y(best.db + Math.max(0.05, best.margin))}
                    height={Math.max(
                        2,
                        y(best.db - Math.max(0.05, best.margin)) - y(best.db + Math.max(0.05, best.margin)),
                    )}
                    className="fill-sunk"
                />
            )}
            {best && dots.length > 1 && (
                <text
                    x={width - RIGHT - 6}
                    y={y(best.db + Math.max(0.05, best.margin)) - 6}
                    textAnchor="end"
                    className="fill-soft stroke-page text-[12px] [paint-order:stroke]"
                    strokeWidth="4"
                >
                    no difference that the pieces can tell
                </text>
            )}
            <polyline
                points={edge.map(({ bytes, db }) => `${x(bytes)},${y(db)}`).join(' ')}
                className="fill-none stroke-note"
                strokeWidth="2"
            />
            <path
                d={dots.map(({ bytes, db, margin }) => `M${x(bytes)} ${y(db + margin)}V${y(db - margin)}`).join('')}
                className="stroke-note"
            />
            {dots.map(({ name, bytes, db, margin, label }, i) => {
                const [cx, cy] = [x(bytes), y(db)];
                const isBest = name === result.recommended.name;
                const above = i % 2 === 1;
                const onEdge = result.edge.includes(name);
                const fill = isBest ? 'fill-rust' : onEdge ? 'fill-note' : 'fill-surface stroke-note';
                return (
                    <Fragment key={name}>
                        {/** biome-ignore lint/a11y/useSemanticElements: drawn controls have no such elements */}
                        <circle
                            cx={cx}
                            cy={cy}
                            r={isBest ? 7 : 5}
                            role="button"
                            tabIndex={0}
                            aria-label={`${name}: ${label}, ${db.toFixed(2)} dB`}
                            aria-pressed={chosen === name}
                            onClick={() => choose(name)}
                            onKeyDown={(event) => (event.key === 'Enter' || event.key === ' ') && choose(name)}
                            className={`cursor-pointer ${fill} ${chosen === name ? 'stroke-ink' : ''}`}
                            strokeWidth="2"
                        >
                            <title>{`${name}: ${label}, ${db.toFixed(2)} ± ${margin.toFixed(2)} dB`}</title>
                        </circle>
                        {(dots.length <= 8 || isBest || chosen === name) && (
                            <text
                                x={Math.min(width - 90, Math.max(LEFT + 60, cx))}
                                y={above ? cy - 14 : cy + 24}
                                textAnchor="middle"
                                className={`pointer-events-none text-[12px] ${isBest ? 'fill-ink font-semibold' : 'fill-soft'}`}
                            >
                                {name}
                            </text>
                        )}
                    </Fragment>
                );
            })}
        </svg>
    );
}
