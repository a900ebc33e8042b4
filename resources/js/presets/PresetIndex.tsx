import { useEffect, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { useHosts } from '../api/queries';
import type { PresetCard } from '../api/types';
import { ItemLink } from '../library/ItemLink';
import { Button } from '../ui/Button';
import { useStable } from '../ui/useStable';
import { type Filters, found } from './found';
import { Role } from './Role';

interface Props {
    presets: PresetCard[];
    chosen: string | null;
    query: URLSearchParams;
    setQuery: (query: URLSearchParams, options: { replace: boolean }) => void;
}

/** Entries that are drawn at once: more than a window shows; more come on request, or are found by typing on. */
const FIRST = 60;

/** Milliseconds without a key after which typing rests. */
const REST = 250;

const MORE = 200;

const roles = ['master', 'upload', 'review', 'device', 'stills', 'sound'] as const;

/** All presets, narrowed as one types; what is sought stands in the address, so that Back keeps it. */
export function PresetIndex({ presets, chosen, query, setQuery }: Props) {
    const hosts = useHosts().data?.hosts ?? [];
    const navigate = useNavigate();
    const list = useRef<HTMLUListElement>(null);
    // What is typed shows at once; the address follows when the typing rests.
    const [sought, seek] = useState(query.get('q') ?? '');
    const resting = useRef<number | undefined>(undefined);
    useEffect(() => () => window.clearTimeout(resting.current), []);
    const filters: Filters = {
        role: (query.get('role') ?? '') as Filters['role'],
        host: query.get('host'),
        only: (query.get('only') ?? 'all') as Filters['only'],
    };
    const all = found(presets, sought, filters);
    const [most, setMost] = useState(FIRST);
    const shown = all.slice(0, most);
    // The latest: an address that typing leads to is that of the preset that is shown by then.
    const set = useStable((name: string, value: string) => {
        const next = new URLSearchParams(query);
        value === '' || value === 'all' ? next.delete(name) : next.set(name, value);
        setMost(FIRST);
        setQuery(next, { replace: true });
    });
    const address = new URLSearchParams(query);
    sought === '' ? address.delete('q') : address.set('q', sought);
    const search = address.toString() === '' ? '' : `?${address}`;
    const step = (by: number) => {
        const at = shown.findIndex((preset) => preset.slug === chosen);
        const next = shown[Math.min(shown.length - 1, Math.max(0, at + by))];
        if (next !== undefined) {
            window.clearTimeout(resting.current);
            navigate(`/presets/${next.slug}${search}`, { replace: true });
        }
    };
    useEffect(() => {
        list.current?.querySelector('[aria-current=page]')?.scrollIntoView({ block: 'nearest' });
    }, []);
    const select = 'h-7 min-w-0 flex-1 rounded border border-line bg-page px-1';
    return (
        <section aria-label="All presets" className="flex min-h-0 flex-col border-r border-line pt-3 pr-4">
            <input
                type="search"
                aria-label="Search the presets"
                placeholder="Name, codec, host, size, tag"
                value={sought}
                onChange={(event) => {
                    const text = event.target.value;
                    seek(text);
                    setMost(FIRST);
                    window.clearTimeout(resting.current);
                    resting.current = window.setTimeout(() => set('q', text), REST);
                }}
                onKeyDown={(event) => {
                    const by = { ArrowDown: 1, ArrowUp: -1, PageDown: 8, PageUp: -8 }[event.key];
                    if (by !== undefined) {
                        event.preventDefault();
                        step(by);
                    }
                }}
                className="h-8 w-full rounded border border-line bg-surface px-2"
            />
            <div className="mt-2 flex gap-2 text-[13px]">
                <select
                    aria-label="Role"
                    value={filters.role}
                    onChange={(event) => set('role', event.target.value)}
                    className={select}
                >
                    <option value="">any role</option>
                    {roles.map((role) => (
                        <option key={role}>{role}</option>
                    ))}
                </select>
                <select
                    aria-label="Made for"
                    value={filters.host ?? ''}
                    onChange={(event) => set('host', event.target.value)}
                    className={select}
                >
                    <option value="">any place</option>
                    {hosts.map((host) => (
                        <option key={host.slug} value={host.slug}>
                            {host.name}
                        </option>
                    ))}
                </select>
                <select
                    aria-label="Whose"
                    value={filters.only}
                    onChange={(event) => set('only', event.target.value)}
                    className={select}
                >
                    <option value="all">all</option>
                    <option value="own">my own</option>
                    <option value="marked">marked</option>
                </select>
            </div>
            <p role="status" className="mt-2 text-[12px] text-soft">
                {all.length === presets.length ? `${all.length} presets` : `${all.length} of ${presets.length} presets`}
            </p>
            <ul ref={list} className="mt-1 -ml-2 min-h-0 flex-1 overflow-y-auto pb-4 text-[13px]">
                {shown.map((preset) => (
                    <li key={preset.slug}>
                        <ItemLink
                            to={`/presets/${preset.slug}${search}`}
                            item={preset}
                            current={preset.slug === chosen}
                            about={preset.about || preset.tags.join(', ') || 'no note'}
                            onClick={() => window.clearTimeout(resting.current)}
                        >
                            <Role role={preset.role} className="ml-auto" />
                        </ItemLink>
                    </li>
                ))}
                {all.length > shown.length && (
                    <li className="px-2 py-2">
                        <Button onClick={() => setMost(most + MORE)}>Show more of {all.length - shown.length}</Button>
                    </li>
                )}
                {shown.length === 0 && (
                    <li className="px-2 py-6 text-soft">
                        Nothing here holds all of that.{' '}
                        <button
                            type="button"
                            className="underline decoration-dotted underline-offset-3"
                            onClick={() => {
                                seek('');
                                setQuery(new URLSearchParams(), { replace: true });
                            }}
                        >
                            Show all presets
                        </button>
                    </li>
                )}
            </ul>
        </section>
    );
}
