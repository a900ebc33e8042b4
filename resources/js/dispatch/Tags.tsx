import { X } from 'lucide-react';
import { type KeyboardEvent, useState } from 'react';

interface Props {
    tags: string[];
    change: (tags: string[]) => void;
}

/** Tags as tokens: Enter or a comma ends one, Backspace in an empty field takes the last one away. */
export function Tags({ tags, change }: Props) {
    const [typed, setTyped] = useState('');
    const add = (text: string) => {
        const fresh = text
            .split(',')
            .map((tag) => tag.trim().replace(/^#+/, ''))
            .filter((tag) => tag !== '' && !tags.some((other) => other.toLowerCase() === tag.toLowerCase()));
        setTyped('');
        if (fresh.length > 0) {
            change([...tags, ...new Set(fresh)]);
        }
    };
    const onKeyDown = (event: KeyboardEvent) => {
        if (event.key === 'Enter' || event.key === ',') {
            event.preventDefault();
            add(typed);
        } else if (event.key === 'Backspace' && typed === '') {
            change(tags.slice(0, -1));
        }
    };
    return (
        <div className="flex flex-wrap items-center gap-1 rounded border border-line bg-page px-1 py-0.5">
            {tags.map((tag) => (
                <span key={tag} className="flex h-[22px] items-center gap-1 rounded bg-sunk pr-0.5 pl-1.5">
                    {tag}
                    <button
                        type="button"
                        aria-label={`Take away ${tag}`}
                        onClick={() => change(tags.filter((other) => other !== tag))}
                        className="flex size-5 items-center justify-center text-soft hover:text-ink"
                    >
                        <X size={11} />
                    </button>
                </span>
            ))}
            <input
                id="tags"
                value={typed}
                autoComplete="off"
                onChange={(event) => setTyped(event.target.value)}
                onKeyDown={onKeyDown}
                onPaste={(event) => {
                    event.preventDefault();
                    add(typed + event.clipboardData.getData('text'));
                }}
                onBlur={() => add(typed)}
                className="h-[22px] min-w-[120px] flex-1 bg-transparent px-1 outline-none"
            />
        </div>
    );
}
