import { type KeyboardEvent, useEffect, useId, useRef, useState } from 'react';
import type { PresetCard } from '../api/types';
import { found } from './found';
import { Role } from './Role';

interface Props {
    presets: readonly PresetCard[];
    chosen: string | null;
    choose: (preset: PresetCard) => void;
    /** What Enter does beyond choosing. */
    take?: (preset: PresetCard) => void;
    label: string;
    tall?: boolean;
}

/** Entries that are drawn; more are found by typing on. */
const MOST = 60;

/** One digit alone is the key of one of the first nine; with more behind it, it is a frame size or part of a name. */
const keyedBy = (presets: readonly PresetCard[], sought: string) =>
    /^[1-9]$/.test(sought) ? presets.find((preset) => preset.key === Number(sought)) : undefined;

/** Finds a preset by a few letters of its name, codec, host, frame size or tag; arrows move, Enter takes, 1 to 9 are the first nine. */
export function PresetPicker({ presets, chosen, choose, take, label, tall }: Props) {
    const id = useId();
    const list = useRef<HTMLDivElement>(null);
    const [sought, seek] = useState('');
    const keyed = keyedBy(presets, sought);
    const all = keyed === undefined ? found(presets, sought) : [...presets];
    const shown = all.slice(0, MOST);
    const at = Math.max(
        shown.findIndex((preset) => preset.slug === chosen),
        sought === '' ? -1 : 0,
    );
    const active = shown[at];
    useEffect(() => {
        list.current?.querySelector('[aria-selected=true]')?.scrollIntoView({ block: 'nearest' });
    });
    // What is marked is what is chosen, also where the list came after the words.
    const late = sought !== '' && active !== undefined && active.slug !== chosen;
    useEffect(() => {
        if (late && active !== undefined) {
            choose(active);
        }
    });
    const onKey = (event: KeyboardEvent) => {
        const step = { ArrowDown: 1, ArrowUp: -1, PageDown: 6, PageUp: -6 }[event.key];
        const end = { Home: 0, End: shown.length - 1 }[event.key];
        if (step !== undefined || (end !== undefined && sought === '')) {
            event.preventDefault();
            const next = shown[end ?? Math.min(shown.length - 1, Math.max(0, at + (step ?? 0)))];
            if (next !== undefined) {
                choose(next);
            }
        } else if (event.key === 'Enter' && active !== undefined) {
            event.preventDefault();
            choose(active);
            take?.(active);
        }
    };
    return (
        <div>
            <input
                type="search"
                role="combobox"
                aria-label={label}
                aria-expanded
                aria-controls={id}
                aria-activedescendant={active && `${id}-${active.slug}`}
                placeholder="Name, codec, host, size, tag"
                value={sought}
                onChange={(event) => {
                    const text = event.target.value;
                    seek(text);
                    const first = keyedBy(presets, text) ?? found(presets, text)[0];
                    if (first !== undefined && text !== '') {
                        choose(first);
                    }
                }}
                onKeyDown={onKey}
                className="h-8 w-full rounded border border-line bg-page px-2"
            />
            <div
                ref={list}
                id={id}
                role="listbox"
                aria-label={label}
                tabIndex={-1}
                className={`-mx-1.5 mt-1.5 overflow-y-auto ${tall ? 'max-h-[420px]' : 'max-h-[264px]'}`}
            >
                {shown.map((preset) => (
                    <div
                        key={preset.slug}
                        id={`${id}-${preset.slug}`}
                        role="option"
                        tabIndex={-1}
                        aria-selected={preset.slug === active?.slug}
                        onMouseDown={(event) => event.preventDefault()}
                        onClick={() => choose(preset)}
                        onDoubleClick={() => take?.(preset)}
                        onKeyDown={onKey}
                        className="cursor-pointer rounded px-1.5 py-1 hover:bg-sunk aria-selected:bg-rust-wash"
                    >
                        <span className="flex items-baseline gap-2">
                            {preset.favourite && <span title="Marked">★</span>}
                            <b className="truncate font-medium">{preset.name}</b>
                            <Role role={preset.role} className="ml-auto" />
                            <kbd className="figure w-3 text-right text-[11px] text-faint">{preset.key ?? ''}</kbd>
                        </span>
                        <span className="block truncate text-[12px] leading-4 text-soft" title={preset.about}>
                            {preset.about || preset.tags.join(', ')}
                        </span>
                    </div>
                ))}
            </div>
            <p role="status" className="mt-1 text-[12px] text-soft empty:hidden">
                {all.length === 0 && `No preset has “${sought}” in its name, note, codec, host, size or tags.`}
                {all.length > MOST && `… and ${all.length - MOST} more. Type on to narrow them.`}
            </p>
        </div>
    );
}
