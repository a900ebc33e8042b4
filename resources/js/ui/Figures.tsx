/** Text in which every number stands in tabular figures. */
export function Figures({ text, className }: { text: string; className?: string }) {
    // Digits with what belongs inside a number: 1280×720, 0:12.5, 30000/1001.
    const parts = text.split(/(\d[\d.,:;×/]*\d|\d)/);
    return (
        <span className={className}>
            {parts.map((part, i) =>
                i % 2 === 1 ? (
                    // biome-ignore lint/suspicious/noArrayIndexKey: the parts have no identity but their place
                    <span key={i} className="figure">
                        {part}
                    </span>
                ) : (
                    part
                ),
            )}
        </span>
    );
}
