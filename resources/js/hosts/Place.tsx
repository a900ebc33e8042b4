import { useState } from 'react';
import { Figures } from '../ui/Figures';

interface Props {
    label: string;
    value: string;
    /** Null where it is only read. */
    change: ((text: string) => void) | null;
    /** What is wrong with a text, as a sentence; null where nothing is. */
    fault?: (text: string) => string | null;
    placeholder?: string;
    choices?: readonly string[];
    /** What a choice is called, where that is not the choice itself. */
    called?: (choice: string) => string;
    className?: string;
}

const itself = (choice: string) => choice;

/** A cell of a host's tables: a text where it is read, and a field at the same place where it is edited. */
export function Place({ label, value, change, fault, placeholder, choices, called = itself, className = '' }: Props) {
    const [typed, type] = useState<string | null>(null);
    if (change === null) {
        return <Figures className={value === '' ? 'text-faint' : ''} text={value === '' ? '–' : called(value)} />;
    }
    const wrong = fault?.(typed ?? value) ?? null;
    const look = `h-6 w-full min-w-0 rounded border bg-page px-1.5 ${className}`;
    if (choices !== undefined) {
        return (
            <select
                aria-label={label}
                value={value}
                onChange={(event) => change(event.target.value)}
                className={`${look} border-line`}
            >
                <option value="">{placeholder ?? '–'}</option>
                {[...new Set(value === '' || choices.includes(value) ? choices : [value, ...choices])].map((choice) => (
                    <option key={choice} value={choice}>
                        {called(choice)}
                    </option>
                ))}
            </select>
        );
    }
    return (
        <span className="block">
            <input
                aria-label={label}
                aria-invalid={wrong !== null || undefined}
                title={wrong ?? undefined}
                value={typed ?? value}
                placeholder={placeholder}
                onChange={(event) => {
                    type(event.target.value);
                    if ((fault?.(event.target.value) ?? null) === null) {
                        change(event.target.value);
                    }
                }}
                onBlur={() => wrong === null && type(null)}
                onKeyDown={(event) => {
                    if (event.key === 'Escape' && typed !== null) {
                        event.stopPropagation();
                        type(null);
                    }
                }}
                className={`${fault === undefined ? '' : 'figure'} ${look} ${wrong === null ? 'border-line' : 'border-stop'}`}
            />
            {wrong !== null && (
                <span className="block text-left text-[11px] leading-[14px] whitespace-normal text-stop">{wrong}</span>
            )}
        </span>
    );
}
