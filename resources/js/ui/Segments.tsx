import { useId } from 'react';

interface Props<T extends string> {
    label: string;
    value: T;
    options: readonly { value: T; label: string }[];
    onChange: (value: T) => void;
}

const look = 'relative flex h-7 items-center border-l border-line px-2 whitespace-nowrap';

/** One of a few, side by side. */
export function Segments<T extends string>({ label, value, options, onChange }: Props<T>) {
    const name = useId();
    const isChosen = options.some((option) => option.value === value);
    return (
        <div role="radiogroup" aria-label={label} className="flex w-fit overflow-hidden rounded border border-line">
            {options.map((option) => (
                <label
                    key={option.value}
                    className={`${look} first:border-0 hover:bg-sunk has-checked:bg-ink has-checked:text-surface`}
                >
                    <input
                        type="radio"
                        name={name}
                        checked={option.value === value}
                        onChange={() => onChange(option.value)}
                        // A form that it is in is not sent by choosing.
                        onKeyDown={(event) => event.key === 'Enter' && event.preventDefault()}
                        // What opens with one inside gives the focus to the one that is chosen, as the browser would.
                        tabIndex={isChosen && option.value !== value ? -1 : 0}
                        className="absolute inset-0 appearance-none focus-visible:outline-offset-[-2px]"
                    />
                    {option.label}
                </label>
            ))}
        </div>
    );
}
