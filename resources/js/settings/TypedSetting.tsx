import { type KeyboardEvent, useState } from 'react';
import { Button } from '../ui/Button';

interface Props {
    label: string;
    value: string;
    save: (value: string) => void;
    placeholder?: string;
    lines?: number;
    narrow?: boolean;
    secret?: boolean;
}

/** A setting that is typed: saved with Enter or the button, put back with Esc. */
export function TypedSetting({ label, value, save, placeholder, lines, narrow, secret }: Props) {
    const [typed, setTyped] = useState<string | null>(null);
    const isOther = typed !== null && typed !== value;
    const keep = () => {
        if (isOther) {
            save(typed);
        }
        if (secret) {
            setTyped(null);
        }
    };
    const shared = {
        'aria-label': label,
        value: typed ?? value,
        placeholder,
        onChange: (event: { target: { value: string } }) => setTyped(event.target.value),
        onKeyDown: (event: KeyboardEvent) => {
            if (event.key === 'Escape') {
                setTyped(null);
            }
            if (event.key === 'Enter' && (lines === undefined || event.ctrlKey)) {
                keep();
            }
        },
        className: `rounded border border-line bg-page px-2 ${narrow ? 'w-[110px]' : 'min-w-0 flex-1'}`,
    };
    return (
        <span className="flex items-start gap-2">
            {lines === undefined ? (
                <input
                    {...shared}
                    className={`h-7 ${shared.className}`}
                    type={secret ? 'password' : 'text'}
                    autoComplete="off"
                />
            ) : (
                <textarea {...shared} rows={lines} className={`py-1 leading-[18px] ${shared.className}`} />
            )}
            {isOther && <Button onClick={keep}>Save</Button>}
        </span>
    );
}
