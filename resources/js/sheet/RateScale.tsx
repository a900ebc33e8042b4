interface Props {
    average: number;
    peak: number | null;
    asked: number | null;
}

/** Where the average lies against what the host asks: from its ask to twice that is marked. Logarithmic, half to eight times the ask. */
export function RateScale({ average, peak, asked }: Props) {
    const centre = asked ?? average;
    const from = Math.log(Math.min(centre, average) / 2.5);
    const to = Math.log(Math.max(centre * 4, peak ?? average, average) * 1.2);
    const place = (bits: number) => `${Math.min(100, Math.max(0, (100 * (Math.log(bits) - from)) / (to - from)))}%`;
    const figure = (bits: number) => (bits / 1e6).toPrecision(3).replace(/\.?0+$/, '');
    return (
        <div aria-hidden="true" className="relative mt-4 h-8">
            <span className="absolute inset-x-0 top-[9px] h-1 bg-line" />
            {asked !== null && (
                <>
                    <span
                        className="absolute top-[5px] h-3 border-x-2 border-note bg-note/25"
                        style={{ left: place(asked), width: `calc(${place(asked * 2)} - ${place(asked)})` }}
                    />
                    <span
                        className="figure absolute top-[18px] -translate-x-1/2 text-[11px] text-faint"
                        style={{ left: place(asked) }}
                    >
                        {figure(asked)}
                    </span>
                    <span
                        className="figure absolute top-[18px] -translate-x-1/2 text-[11px] text-faint"
                        style={{ left: place(asked * 2) }}
                    >
                        {figure(asked * 2)}
                    </span>
                </>
            )}
            <span className="absolute top-0.5 h-[18px] w-0.5 bg-rust" style={{ left: place(average) }} />
            {peak !== null && (
                <span className="absolute top-1.5 h-2.5 w-0.5 bg-rust/50" style={{ left: place(peak) }} />
            )}
        </div>
    );
}
