import { type ReactNode, useId } from 'react';
import type { Sought } from '../api/sought';
import type { DeliveryChoices } from '../api/types';
import { useTyped } from '../ui/useTyped';

interface Props {
    sought: Sought;
    choices: DeliveryChoices;
    change: (address: Record<string, string>, how?: { replace: boolean }) => void;
}

/** What the list is narrowed down by; all of it stands in the address. */
export function SlipFilters({ sought, choices, change }: Props) {
    const set = (part: keyof Sought, value: string | null) => {
        const { [part]: _, ...rest } = sought;
        change(value === null ? { ...rest } : { ...rest, [part]: value }, { replace: true });
    };
    const search = useTyped(sought.search ?? '', (text) => set('search', text === '' ? null : text));
    const input = 'h-7 rounded border border-line bg-page px-2';
    return (
        <search className="mb-3 flex items-end gap-3 text-[13px]">
            <Labelled label="Search">
                {(id) => (
                    <input
                        id={id}
                        type="search"
                        placeholder="File, cut, preset or host"
                        value={search.typed}
                        onChange={(event) => search.type(event.target.value)}
                        className={`${input} w-72`}
                    />
                )}
            </Labelled>
            <Labelled label="Host">
                {(id) => (
                    <select
                        id={id}
                        value={sought.host === undefined ? 'any' : `slug ${sought.host}`}
                        onChange={({ target: { value } }) => set('host', value === 'any' ? null : value.slice(5))}
                        className={`${input} w-40`}
                    >
                        <option value="any">any</option>
                        <option value="slug ">none</option>
                        {choices.hosts.map(({ slug, name }) => (
                            <option key={slug} value={`slug ${slug}`}>
                                {name}
                            </option>
                        ))}
                    </select>
                )}
            </Labelled>
            <Labelled label="Preset">
                {(id) => (
                    <select
                        id={id}
                        value={sought.preset ?? ''}
                        onChange={({ target: { value } }) => set('preset', value === '' ? null : value)}
                        className={`${input} w-52`}
                    >
                        <option value="">any</option>
                        {choices.presets.map(({ slug, name }) => (
                            <option key={slug} value={slug}>
                                {name}
                            </option>
                        ))}
                    </select>
                )}
            </Labelled>
            {(['from', 'until'] as const).map((part) => (
                <Labelled key={part} label={part === 'from' ? 'Made from' : 'Until'}>
                    {(id) => (
                        <input
                            id={id}
                            type="date"
                            value={sought[part] ?? ''}
                            onChange={({ target: { value } }) => set(part, value === '' ? null : value)}
                            className={input}
                        />
                    )}
                </Labelled>
            ))}
        </search>
    );
}

function Labelled({ label, children }: { label: string; children: (id: string) => ReactNode }) {
    const id = useId();
    return (
        <div>
            <label htmlFor={id} className="mb-0.5 block text-[12px] text-soft">
                {label}
            </label>
            {children(id)}
        </div>
    );
}
