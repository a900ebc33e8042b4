import { ToggleGroup } from 'radix-ui';

interface Props<T extends string> {
    label: string;
    value: T;
    options: readonly { value: T; label: string }[];
    onChange: (value: T) => void;
}

/** One of a few, side by side. */
export function Segments<T extends string>({ label, value, options, onChange }: Props<T>) {
    return (
        <ToggleGroup.Root
            type="single"
            value={value}
            aria-label={label}
            onValueChange={(next) => next !== '' && onChange(next as T)}
            className="flex w-fit overflow-hidden rounded border border-line"
        >
            {options.map((option) => (
                <ToggleGroup.Item
                    key={option.value}
                    value={option.value}
                    className="h-7 border-l border-line px-2 whitespace-nowrap first:border-0 hover:bg-sunk focus-visible:outline-offset-[-2px] data-[state=on]:bg-ink data-[state=on]:text-surface"
                >
                    {option.label}
                </ToggleGroup.Item>
            ))}
        </ToggleGroup.Root>
    );
}
