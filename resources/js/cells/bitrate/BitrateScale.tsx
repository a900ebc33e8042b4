import { useState } from 'react';
import { useDragged } from '../../ui/useDragged';

interface Props {
    average: number;
    peak: number | null;
    asked: number | null;
    /** @param bits a second, to three figures */
    change: (bits: number) => void;
}

/**
 * Where the average lies against what the host asks, and a slider to move it: from its ask to twice that is marked.
 * Logarithmic, from four tenths to eight times the ask.
 */
export function BitrateScale({ average, peak, asked, change }: Props) {
    const centre = asked ?? 4_000_000;
    // The scale stands still while the average moves on it.
    const [begun] = useState(average);
    const { shown, drag, release } = useDragged(average);
    const from = Math.log(Math.min(centre, begun) / 2.5);
    const to = Math.log(Math.max(centre * 8, begun));
    const place = (bits: number) => `${Math.min(100, Math.max(0, (100 * (Math.log(bits) - from)) / (to - from)))}%`;
    const figure = (bits: number) => (bits / 1e6).toPrecision(3).replace(/\.?0+$/, '');
    const round = (bits: number) => Number(bits.toPrecision(2));
    return (
        <div className="relative mt-4 h-8">
            <div aria-hidden="true" className="pointer-events-none absolute inset-x-[7px] inset-y-0 z-1">
                {asked !== null &&
                    [asked, asked * 2].map((bits) => (
                        <span
                            key={bits}
                            className="figure absolute top-[18px] -translate-x-1/2 text-[11px] text-faint"
                            style={{ left: place(bits) }}
                        >
                            {figure(bits)}
                        </span>
                    ))}
                {asked !== null && (
                    <span
                        className="absolute top-[3px] h-3.5 border-x-2 border-note bg-note/25"
                        style={{ left: place(asked), width: `calc(${place(asked * 2)} - ${place(asked)})` }}
                    />
                )}
                {peak !== null && (
                    <span className="absolute top-[3px] h-3.5 w-0.5 bg-rust/50" style={{ left: place(peak) }} />
                )}
            </div>
            <input
                type="range"
                aria-label="Average, from small to large"
                aria-valuetext={`${figure(shown)} Mb/s`}
                min={from}
                max={to}
                step={0.01}
                value={Math.log(shown)}
                onChange={(event) => {
                    const bits = round(Math.exp(Number(event.target.value)));
                    drag(bits);
                    change(bits);
                }}
                onBlur={release}
                className="absolute inset-x-0 top-0 m-0 w-full accent-rust"
            />
        </div>
    );
}
