import { useEffect, useState } from 'react';
import { type Clock, timecode, typedFrame } from './timecode';

interface Props {
    label: string;
    value: number;
    clock: Clock;
    /** Frames it may name, both included. */
    from: number;
    to: number;
    onChange: (frame: number) => void;
}

const look = 'rounded border border-stop bg-stop-wash px-2 py-1 text-[12.5px] whitespace-nowrap text-ink';

/** A frame as a timecode that can be typed over, or as its number. What is no frame stays, with the reason, until it is put right. */
export function FrameInput({ label, value, clock, from, to, onChange }: Props) {
    const [text, setText] = useState(timecode(value, clock));
    const [problem, setProblem] = useState<string | null>(null);
    useEffect(() => {
        setText(timecode(value, clock));
        setProblem(null);
    }, [value, clock]);
    const take = () => {
        if (text === timecode(value, clock)) {
            setProblem(null);
            return;
        }
        const frame = typedFrame(text, clock);
        if (frame === null || frame < from || frame > to) {
            setProblem(
                `Between ${timecode(from, clock)} and ${timecode(to, clock)}, or a frame’s number from ${from} to ${to}.`,
            );
            return;
        }
        setProblem(null);
        onChange(frame);
        setText(timecode(frame, clock));
    };
    return (
        <label className="relative flex items-center gap-1.5 text-soft">
            {label}
            <input
                value={text}
                aria-label={`${label} frame`}
                aria-invalid={problem !== null}
                aria-describedby={problem === null ? undefined : `${label}-problem`}
                onChange={(event) => setText(event.target.value)}
                onFocus={(event) => event.target.select()}
                onBlur={take}
                onKeyDown={(event) => {
                    event.stopPropagation();
                    if (event.key === 'Enter') {
                        take();
                    } else if (event.key === 'Escape') {
                        setText(timecode(value, clock));
                        setProblem(null);
                    }
                }}
                className={`figure h-[22px] w-[96px] rounded border bg-surface px-1.5 text-ink ${problem === null ? 'border-transparent hover:border-line' : 'border-stop'}`}
            />
            {problem !== null && (
                <span id={`${label}-problem`} role="alert" className={`absolute top-[26px] left-0 z-40 ${look}`}>
                    {problem}
                </span>
            )}
        </label>
    );
}
