import { type KeyboardEvent, type PointerEvent, useState } from 'react';
import { useAnalysis, useCurves } from '../api/queries';
import type { Cut, Range } from '../api/types';
import { Button } from '../ui/Button';
import { Figures } from '../ui/Figures';
import { Shapes } from '../viewer/Shapes';
import { StripHead } from '../viewer/StripHead';
import { framesPerSecond, timecode } from '../viewer/timecode';
import { useWidth } from '../viewer/useWidth';

interface Props {
    cut: Cut;
    pieces: Range[];
    onChange: (pieces: Range[]) => void;
}

const HEIGHT = { ruler: 18, pictures: 26, shapes: 40 };

const look = 'select-none focus-visible:outline-offset-[-2px]';

/** Pieces of a test are at most as many. */
const MOST = 24;

/** Seconds of a piece that is put down by a key or a click. */
const SECONDS = 2;

/** The whole cut, on which pieces are drawn: by dragging, or with the arrows and Enter. */
export function PieceStrip({ cut, pieces, onChange }: Props) {
    const [strip, width] = useWidth<HTMLDivElement>();
    const { data: analysis } = useAnalysis(cut.id);
    const view = { from: 0, to: Math.max(1, cut.frames) };
    const { data: curves } = useCurves(
        cut.id,
        view,
        Math.max(100, width),
        analysis?.state === 'done' ? cut.poster : null,
    );
    const [cursor, setCursor] = useState(0);
    const [drawn, setDrawn] = useState<Range | null>(null);
    const last = cut.frames - 1;
    const second = Math.max(1, Math.round(framesPerSecond(cut.frameRate)));
    const x = (frame: number) => (frame / view.to) * width;
    const within = (frame: number) => Math.max(0, Math.min(last, frame));
    const frameAt = (clientX: number) =>
        within(
            Math.floor(((clientX - (strip.current?.getBoundingClientRect().left ?? 0)) / Math.max(1, width)) * view.to),
        );
    const put = (piece: Range) => {
        // What lies under a new piece gives way to it.
        const others = pieces.filter((one) => one.last < piece.first || one.first > piece.last);
        if (piece.last > piece.first && others.length < MOST) {
            onChange([...others, piece].sort((a, b) => a.first - b.first));
        }
    };
    const usual = (at: number) => {
        const first = Math.max(0, Math.min(at, cut.frames - SECONDS * second));
        return { first, last: within(first + SECONDS * second - 1) };
    };
    const drag = (event: PointerEvent<HTMLDivElement>) => {
        const frame = frameAt(event.clientX);
        if (event.type === 'pointerdown' && event.button === 0) {
            event.currentTarget.setPointerCapture(event.pointerId);
            setCursor(frame);
            setDrawn({ first: frame, last: frame });
        } else if (event.type === 'pointermove' && drawn !== null) {
            setDrawn({ first: Math.min(cursor, frame), last: Math.max(cursor, frame) });
        } else if (event.type === 'pointerup' && drawn !== null) {
            // Hardly moved: a click.
            put(x(drawn.last) - x(drawn.first) < 4 ? usual(drawn.first) : drawn);
            setDrawn(null);
        }
    };
    const key = (event: KeyboardEvent) => {
        const by = { ArrowRight: 1, ArrowLeft: -1 }[event.key];
        const to = { Home: 0, End: last }[event.key];
        if (by !== undefined) {
            setCursor(within(cursor + by * (event.shiftKey ? 10 * second : second)));
        } else if (to !== undefined) {
            setCursor(to);
        } else if (event.key === 'Enter') {
            put(usual(cursor));
        } else if (event.key === 'Delete' || event.key === 'Backspace') {
            onChange(pieces.filter((one) => cursor < one.first || cursor > one.last));
        } else {
            return;
        }
        event.preventDefault();
    };
    const shown = drawn === null ? pieces : [...pieces, drawn];
    const frames = pieces.reduce((sum, one) => sum + one.last - one.first + 1, 0);
    const seconds = (frames / framesPerSecond(cut.frameRate)).toFixed(1);
    const many = `${pieces.length} ${pieces.length === 1 ? 'piece' : 'pieces'}`;
    return (
        <div className="mt-3 w-full">
            <div
                ref={strip}
                role="slider"
                tabIndex={0}
                aria-label="Pieces on the strip: arrows move, Enter puts one down, Delete takes it away"
                aria-valuemin={0}
                aria-valuemax={last}
                aria-valuenow={cursor}
                aria-valuetext={`${timecode(cursor, cut.timecode)}, ${pieces.length} pieces`}
                onPointerDown={drag}
                onPointerMove={drag}
                onPointerUp={drag}
                onKeyDown={key}
                className={`relative cursor-crosshair touch-none overflow-hidden border border-line bg-page ${look}`}
                style={{ height: HEIGHT.ruler + HEIGHT.pictures + HEIGHT.shapes + 2 }}
            >
                <StripHead
                    cut={cut}
                    analysis={analysis}
                    view={view}
                    width={width}
                    ruler={HEIGHT.ruler}
                    pictures={HEIGHT.pictures}
                />
                <div className="relative bg-surface" style={{ height: HEIGHT.shapes }}>
                    <Shapes view={view} width={width} height={HEIGHT.shapes} curves={curves} found={analysis?.result} />
                </div>
                {shown.map((piece) => (
                    <div
                        key={`${piece.first} ${piece.last}`}
                        className="pointer-events-none absolute bottom-0 border-2 border-rust bg-rust/20"
                        style={{
                            top: HEIGHT.ruler,
                            left: x(piece.first),
                            width: Math.max(3, x(piece.last + 1) - x(piece.first)),
                        }}
                    />
                ))}
                <div
                    className="pointer-events-none absolute inset-y-0 w-px bg-ink"
                    style={{ left: x(cursor) }}
                    aria-hidden="true"
                />
            </div>
            <p className="mt-1 flex items-center gap-3 text-[12px] text-soft">
                <Figures
                    text={
                        pieces.length === 0
                            ? 'Draw a piece on the strip, or click for two seconds. Two to six places that matter to you are enough.'
                            : `${many}, ${seconds} s. They stand for themselves, each by its length.`
                    }
                />
                {pieces.length > 0 && (
                    <Button kind="quiet" className="h-6" onClick={() => onChange([])}>
                        Take all away
                    </Button>
                )}
            </p>
        </div>
    );
}
