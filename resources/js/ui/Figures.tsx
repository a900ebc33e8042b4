/** The thin space before a unit is drawn too thin between two fonts, and a line must not break there. */
export const spaced = (text: string) => text.replaceAll('\u2009', '\u00a0');

/** Text in which every number stands in tabular figures. */
export function Figures({ text, className }: { text: string; className?: string }) {
    return <span className={className}>{inFigures(text)}</span>;
}

/** The same for a place that is an element already. */
export function inFigures(text: string) {
    // Digits with what belongs inside a number: 1280×720, 0:12.5, 30000/1001.
    const parts = spaced(text).split(/(\d[\d.,:;×/]*\d|\d)/);
    return parts.map((part, i) =>
        i % 2 === 1 ? (
            // biome-ignore lint/suspicious/noArrayIndexKey: items have no identity but their position
            <span key={i} className="figure">
                {part}
            </span>
        ) : (
            part
        ),
    );
}
