import { type ReactNode, useId } from 'react';
import type { DeliveryFilter } from '../api/deliveryFilter';
import type { DeliveryChoices } from '../api/types';
import { useTyped } from '../ui/useTyped';

interface Props {
    filter: DeliveryFilter;
    choices: DeliveryChoices;
    change: (address: Record<string, string>, how?: { replace: boolean }) => void;
}

/** Search field and filters of the list. Their values are part of the page's address. */
export function SlipFilters({ filter, choices, change }: Props) {
    const set = (part: keyof DeliveryFilter, value: string | null) => {
        const { [part]: _, ...rest } = filter;
        change(value === null ? { ...rest } : { ...rest, [part]: value }, { replace: true });
    };
    const search = useTyped(filter.search ?? '', (text) => set('search', text === '' ? null : text));
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
                        value={filter.host === undefined ? 'any' : `slug ${filter.host}`}
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
                        value={filter.preset ?? ''}
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
                            value={filter[part] ?? ''}
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
