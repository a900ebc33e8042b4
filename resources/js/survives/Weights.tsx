import type { Transit } from '../api/types';

export type Weighing = Transit['weights'];

/** As an address has them: four figures, picture first; null, for the usual ones, where it has none. */
export function weightsIn(text: string): Weighing | null {
    const [quality, size, making, sending] = text.split(' ').map(Number);
    return quality === undefined || size === undefined || making === undefined || sending === undefined
        ? null
        : { quality, size, making, sending };
}

const names: { key: keyof Weighing; label: string; about: string }[] = [
    { key: 'quality', label: 'Picture', about: 'What is left after the host' },
    { key: 'size', label: 'File size', about: 'Of the upload' },
    { key: 'making', label: 'Making', about: 'How long this machine takes' },
    { key: 'sending', label: 'Sending', about: 'How long your line takes' },
];

interface Props {
    weights: Weighing;
    isUsual: boolean;
    /** Null goes back to the usual ones. */
    onChange: (weights: Weighing | null) => void;
}

/** What counts how much for the recommendation. */
export function Weights({ weights, isUsual, onChange }: Props) {
    return (
        <div className="w-[240px] flex-none border-t-2 border-rule pt-2.5 text-[13px]">
            <h2 className="mb-2 font-semibold">How it is weighed</h2>
            {names.map(({ key, label, about }) => (
                <div key={key} className="flex h-7 items-center gap-3" title={about}>
                    <span className="w-16 flex-none text-soft">{label}</span>
                    <input
                        type="range"
                        aria-label={`Weight of ${label.toLowerCase()}`}
                        min={0}
                        max={2}
                        step={0.25}
                        value={weights[key]}
                        onChange={(event) => onChange({ ...weights, [key]: Number(event.target.value) })}
                        className="min-w-0 grow accent-rust"
                    />
                    <span className="figure w-8 flex-none text-right text-soft">{weights[key]}</span>
                </div>
            ))}
            <p className="mt-2 leading-[18px] text-soft">
                {isUsual ? (
                    'The usual weights. '
                ) : (
                    <button type="button" className="text-rust hover:underline" onClick={() => onChange(null)}>
                        Back to the usual weights.
                    </button>
                )}{' '}
                What the pieces cannot tell apart counts as equal; then the smaller or faster one wins.
            </p>
        </div>
    );
}
