import { useId } from 'react';

interface Props {
    label: string;
    value: string;
    onChange: (value: string) => void;
    placeholder?: string;
    focused?: boolean;
    /** Over both columns. */
    wide?: boolean;
    lines?: number;
    type?: 'text' | 'password';
    autoComplete?: string;
}

/** A text with its label above. */
export function Field({ label, value, onChange, placeholder, focused, wide, lines, type, autoComplete }: Props) {
    const id = useId();
    const look = 'w-full rounded border border-line bg-page px-2';
    return (
        <div className={wide ? 'col-span-full' : ''}>
            <label htmlFor={id} className="mb-0.5 block text-[12px] text-soft">
                {label}
            </label>
            {lines === undefined ? (
                <input
                    id={id}
                    type={type}
                    autoComplete={autoComplete}
                    value={value}
                    placeholder={placeholder}
                    // biome-ignore lint/a11y/noAutofocus: the field was opened on request
                    autoFocus={focused}
                    onChange={(event) => onChange(event.target.value)}
                    className={`h-7 ${look}`}
                />
            ) : (
                <textarea
                    id={id}
                    value={value}
                    rows={lines}
                    placeholder={placeholder}
                    onChange={(event) => onChange(event.target.value)}
                    className={`py-1 ${look}`}
                />
            )}
        </div>
    );
}
