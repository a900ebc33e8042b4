import type { View } from './useView';

interface Props {
    strip: string;
    pictures: number;
    /** Width over height of one picture. */
    shape: number;
    frames: number;
    view: View;
    width: number;
    height: number;
}

/** A row of small pictures: each shows what lies under its middle. */
export function Pictures({ strip, pictures, shape, frames, view, width, height }: Props) {
    const each = Math.max(16, height * shape);
    const slots = Array.from({ length: Math.ceil(width / each) }, (_, i) => {
        const middle = view.from + ((i + 0.5) * each * (view.to - view.from)) / width;
        return Math.max(0, Math.min(pictures - 1, Math.floor((middle / frames) * pictures)));
    });
    return (
        <div
            className="pointer-events-none flex overflow-hidden bg-neutral"
            style={{ width, height }}
            aria-hidden="true"
        >
            {slots.map((picture, i) => (
                <span
                    // biome-ignore lint/suspicious/noArrayIndexKey: items have no identity but their position
                    key={i}
                    className="flex-none"
                    style={{
                        width: each,
                        height,
                        backgroundImage: `url("${strip}")`,
                        backgroundSize: `${each * pictures}px ${height}px`,
                        backgroundPosition: `${-picture * each}px 0`,
                    }}
                />
            ))}
        </div>
    );
}
