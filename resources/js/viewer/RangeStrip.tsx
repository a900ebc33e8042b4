import { type KeyboardEvent, type PointerEvent, useEffect, useRef, useState } from 'react';
import { useCurves } from '../api/queries';
import type { Cut, CutAnalysis, Range } from '../api/types';
import { Shapes } from './Shapes';
import { StripHead } from './StripHead';
import { timecode } from './timecode';
import type { Piece } from './usePieces';
import type { Player } from './usePlayer';
import { useView } from './useView';
import { useWidth } from './useWidth';

interface Props {
    cut: Cut;
    analysis: CutAnalysis | undefined;
    range: Range;
    setRange: (range: Range) => void;
    player: Player;
    /** Each begins with a mark. */
    pieces: Piece[];
    /** In pixels. */
    height: number;
}

const RULER = 18;

/** What lies in the cut from end to end, and which part of it is delivered. The wheel zooms, down to single frames. */
export function RangeStrip({ cut, analysis, range, setRange, player, pieces, height }: Props) {
    const pictures = Math.round((height - RULER - 2) * 0.3);
    const plot = height - RULER - 2 - pictures;
    const [strip, width] = useWidth<HTMLDivElement>();
    const { view, show, zoom, reveal } = useView(cut.frames);
    const [dragged, setDragged] = useState<Range | null>(null);
    const done = analysis?.state === 'done';
    const { data: curves } = useCurves(cut.id, view, Math.max(100, width), done ? cut.poster : null);
    const shown = dragged ?? range;
    const x = (frame: number) => ((frame - view.from) / (view.to - view.from)) * width;
    const frameAt = (clientX: number) => {
        const left = strip.current?.getBoundingClientRect().left ?? 0;
        return Math.max(
            0,
            Math.min(
                player.last,
                Math.floor(view.from + ((clientX - left) / Math.max(1, width)) * (view.to - view.from)),
            ),
        );
    };

    useEffect(() => reveal(player.frame), [player.frame, reveal]);

    // The wheel scrolls pages unless it is told otherwise, which only a listener that is not passive may do.
    const wheel = useRef<(event: WheelEvent) => void>(() => undefined);
    wheel.current = (event) => {
        event.preventDefault();
        const span = view.to - view.from;
        if (event.shiftKey || Math.abs(event.deltaX) > Math.abs(event.deltaY)) {
            show(view.from + ((event.deltaX || event.deltaY) / Math.max(1, width)) * span, span);
        } else {
            zoom(1.0018 ** event.deltaY, frameAt(event.clientX) + 0.5);
        }
    };
    useEffect(() => {
        const element = strip.current;
        const listen = (event: WheelEvent) => wheel.current(event);
        element?.addEventListener('wheel', listen, { passive: false });
        return () => element?.removeEventListener('wheel', listen);
    }, [strip]);

    const scrub = (event: PointerEvent<HTMLDivElement>) => {
        if (event.button !== 0) {
            return;
        }
        player.pause();
        player.seek(frameAt(event.clientX));
        event.currentTarget.setPointerCapture(event.pointerId);
    };

    const drag = (next: Range, frame: number) => {
        player.pause();
        player.seek(frame);
        setDragged(next);
    };
    const drop = () => {
        if (dragged !== null) {
            setRange(dragged);
        }
        setDragged(null);
    };
    const step = (next: Range, frame: number) => {
        setRange(next);
        player.seek(frame);
    };

    return (
        // biome-ignore lint/a11y/useSemanticElements: drawn controls have no such elements
        <div
            ref={strip}
            role="group"
            aria-label="Range strip"
            // biome-ignore lint/a11y/noNoninteractiveTabindex: handles keys like a slider
            tabIndex={0}
            data-strip
            data-frames={Math.round(view.to - view.from)}
            onPointerDown={scrub}
            onPointerMove={(event) => {
                if (event.buttons === 1 && event.currentTarget.hasPointerCapture(event.pointerId)) {
                    player.seek(frameAt(event.clientX));
                }
            }}
            className="relative cursor-crosshair touch-none overflow-hidden border border-line bg-page select-none focus-visible:outline-offset-[-2px]"
            style={{ height }}
        >
            <StripHead cut={cut} analysis={analysis} view={view} width={width} ruler={RULER} pictures={pictures} />
            <div className="relative bg-surface" style={{ height: plot }}>
                <Shapes view={view} width={width} height={plot} curves={curves} found={analysis?.result} />
                <Waiting analysis={analysis} />
            </div>
            <Outside from={0} to={x(shown.first)} />
            <Outside from={x(shown.last + 1)} to={width} />
            <div
                className="pointer-events-none absolute inset-y-0 border-y-2 border-rust"
                style={{ left: x(shown.first), width: Math.max(1, x(shown.last + 1) - x(shown.first)), top: RULER }}
            />
            {pieces.map((piece) => (
                <PieceMark key={piece.first} piece={piece} left={x(piece.first)} />
            ))}
            <Handle
                label="First frame"
                cut={cut}
                frame={shown.first}
                left={x(shown.first)}
                side="first"
                from={0}
                to={shown.last}
                frameAt={frameAt}
                drag={(first) => drag({ first, last: shown.last }, first)}
                drop={drop}
                step={(first) => step({ first, last: shown.last }, first)}
            />
            <Handle
                label="Last frame"
                cut={cut}
                frame={shown.last}
                left={x(shown.last + 1)}
                side="last"
                from={shown.first}
                to={player.last}
                frameAt={frameAt}
                drag={(last) => drag({ first: shown.first, last }, last)}
                drop={drop}
                step={(last) => step({ first: shown.first, last }, last)}
            />
            <Playhead left={x(player.frame)} width={Math.max(1, x(player.frame + 1) - x(player.frame))} />
        </div>
    );
}

function Waiting({ analysis }: { analysis: CutAnalysis | undefined }) {
    if (analysis === undefined || analysis.state === 'done' || analysis.state === 'failed') {
        return null;
    }
    const left = analysis.secondsLeftLabel === null ? '' : `, ${analysis.secondsLeftLabel} left`;
    return (
        <p className="absolute inset-0 flex items-center justify-center text-[12.5px] text-faint" role="status">
            {analysis.state === 'running'
                ? `Looking at picture and sound: ${analysis.percent} %${left}`
                : 'Picture and sound will be looked at when no run is under way.'}
        </p>
    );
}

function Outside({ from, to }: { from: number; to: number }) {
    return (
        <div
            className="pointer-events-none absolute bottom-0 bg-page/60"
            style={{ left: from, width: Math.max(0, to - from), top: RULER }}
        />
    );
}

/** Where a piece begins, with its number where there is room. */
function PieceMark({ piece, left }: { piece: Piece; left: number }) {
    return (
        <div className="pointer-events-none absolute bottom-0" style={{ left, top: RULER }}>
            <span className="absolute inset-y-0 left-0 border-l-2 border-dashed border-rust" />
            <span className="figure absolute top-0 left-0 bg-rust px-1 text-[10.5px] leading-[14px] text-rust-ink">
                {piece.number}
            </span>
        </div>
    );
}

/** As wide as its frame, once frames can be told apart. */
function Playhead({ left, width }: { left: number; width: number }) {
    return (
        <div className="pointer-events-none absolute inset-y-0" style={{ left, width }}>
            <div
                className={`absolute inset-y-0 left-0 border-l border-ink ${width > 3 ? 'w-full border-r bg-ink/10' : ''}`}
            />
            <div className="absolute -top-px -left-[4.5px] border-x-5 border-t-7 border-x-transparent border-t-ink" />
        </div>
    );
}

interface HandleProps {
    label: string;
    cut: Cut;
    frame: number;
    left: number;
    side: 'first' | 'last';
    from: number;
    to: number;
    frameAt: (clientX: number) => number;
    drag: (frame: number) => void;
    drop: () => void;
    step: (frame: number) => void;
}

function Handle({ label, cut, frame, left, side, from, to, frameAt, drag, drop, step }: HandleProps) {
    const within = (wanted: number) => Math.max(from, Math.min(to, wanted));
    const onKey = (event: KeyboardEvent) => {
        const second = Math.max(1, cut.timecode.perSecond);
        const move = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
        if (move !== undefined) {
            event.preventDefault();
            event.stopPropagation();
            step(within(frame + move * (event.shiftKey ? second : 1)));
        }
    };
    return (
        <div
            role="slider"
            tabIndex={0}
            aria-label={label}
            aria-valuemin={from}
            aria-valuemax={to}
            aria-valuenow={frame}
            aria-valuetext={timecode(frame, cut.timecode)}
            title={`${label} ${timecode(frame, cut.timecode)}`}
            onKeyDown={onKey}
            onPointerDown={(event) => {
                event.stopPropagation();
                event.currentTarget.setPointerCapture(event.pointerId);
            }}
            onPointerMove={(event) => {
                if (event.currentTarget.hasPointerCapture(event.pointerId)) {
                    event.stopPropagation();
                    drag(within(frameAt(event.clientX)));
                }
            }}
            onPointerUp={drop}
            className="absolute bottom-0 z-10 w-[9px] cursor-ew-resize"
            style={{ left: side === 'first' ? left : left - 9, top: RULER }}
        >
            <span className={`absolute inset-y-0 w-[2px] bg-rust ${side === 'first' ? 'left-0' : 'right-0'}`} />
            <span
                className={`absolute top-1/2 h-6 w-[7px] -translate-y-1/2 bg-rust ${side === 'first' ? 'left-0 rounded-r-[3px]' : 'right-0 rounded-l-[3px]'}`}
            />
        </div>
    );
}
