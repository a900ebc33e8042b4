import { Slider } from 'radix-ui';

export interface Weighing {
    quality: number;
    size: number;
    making: number;
    sending: number;
}

export const USUAL: Weighing = { quality: 1, size: 0.5, making: 0.25, sending: 0.25 };

/** As an address has them: four figures from 0 to 2, picture first. */
export function weightsIn(text: string | null): Weighing {
    const [quality, size, making, sending] = (text ?? '').split(' ').map(Number);
    const all = [quality, size, making, sending];
    return all.every((weight) => weight !== undefined && weight >= 0 && weight <= 2)
        ? ({ quality, size, making, sending } as Weighing)
        : USUAL;
}

const names: { key: keyof Weighing; label: string; about: string }[] = [
    { key: 'quality', label: 'Picture', about: 'What is left after the host' },
    { key: 'size', label: 'File size', about: 'Of the upload' },
    { key: 'making', label: 'Making', about: 'How long this machine takes' },
    { key: 'sending', label: 'Sending', about: 'How long your line takes' },
];

/** What counts how much for the recommendation. */
export function Weights({ weights, onChange }: { weights: Weighing; onChange: (weights: Weighing) => void }) {
    const isUsual = names.every(({ key }) => weights[key] === USUAL[key]);
    return (
        <div className="w-[240px] flex-none border-t-2 border-rule pt-2.5 text-[13px]">
            <h2 className="mb-2 font-semibold">How it is weighed</h2>
            {names.map(({ key, label, about }) => (
                <div key={key} className="flex h-7 items-center gap-3" title={about}>
                    <span className="w-16 flex-none text-soft">{label}</span>
                    <Slider.Root
                        value={[weights[key]]}
                        min={0}
                        max={2}
                        step={0.25}
                        onValueChange={([value = 0]) => onChange({ ...weights, [key]: value })}
                        className="relative flex h-5 grow touch-none items-center"
                    >
                        <Slider.Track className="h-[3px] grow bg-line">
                            <Slider.Range />
                        </Slider.Track>
                        <Slider.Thumb
                            aria-label={`Weight of ${label.toLowerCase()}`}
                            className="block size-3.5 rounded-full bg-ink focus-visible:outline-offset-2"
                        />
                    </Slider.Root>
                    <span className="figure w-8 flex-none text-right text-soft">{weights[key]}</span>
                </div>
            ))}
            <p className="mt-2 leading-[18px] text-soft">
                {isUsual ? (
                    'The usual weights. '
                ) : (
                    <button type="button" className="text-rust hover:underline" onClick={() => onChange(USUAL)}>
                        Back to the usual weights.
                    </button>
                )}{' '}
                What the pieces cannot tell apart counts as equal; then the smaller or faster one wins.
            </p>
        </div>
    );
}
