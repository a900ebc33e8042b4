import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { Navigate, useNavigate, useParams, useSearchParams } from 'react-router';
import { api } from '../api/client';
import { useLibraryChanged } from '../api/library';
import { useHosts, useItem } from '../api/queries';
import type { HostList } from '../api/types';
import { BringInItems } from '../library/BringInItems';
import { ItemLink } from '../library/ItemLink';
import { Removed } from '../library/Removed';
import { BrokenFiles } from '../ui/BrokenFiles';
import { Button } from '../ui/Button';
import { Field } from '../ui/Field';
import { Popover } from '../ui/Popover';
import { Failed, Loading, Trouble } from '../ui/States';
import { search } from '../ui/search';
import { Title } from '../ui/Title';
import { useAddressed } from '../ui/useAddressed';
import { useTitle } from '../ui/useTitle';
import { HostDocument } from './HostDocument';

type Host = HostList['hosts'][number];

/** The hosts: a list, and beside it one as a document. */
export function HostsPage() {
    const { data, isError, error, refetch } = useHosts();
    const { slug } = useParams();
    const [query, setQuery] = useSearchParams();
    const chosen = data?.hosts.find((host) => host.slug === slug);
    useTitle(chosen?.name ?? 'Hosts');
    if (isError && data === undefined) {
        return <Failed error={error} retry={() => refetch()} />;
    }
    if (data === undefined) {
        return <Loading what="the hosts" />;
    }
    const first = data.hosts[0];
    if (slug === undefined && first !== undefined) {
        return <Navigate to={{ pathname: `/hosts/${first.slug}`, search: query.toString() }} replace />;
    }
    return (
        <div className="flex h-full flex-col px-5 pt-4">
            <Title
                about="A host takes an upload and recompresses it"
                more={
                    <span className="ml-auto flex flex-none gap-2">
                        <Removed kind="host" items={data.removed} />
                        <NewHost />
                        <BringInItems />
                    </span>
                }
            >
                Hosts
            </Title>
            <BrokenFiles files={data.broken} />
            <div className="grid min-h-0 flex-1 grid-cols-[220px_minmax(0,1fr)] gap-x-6 border-t-2 border-rule">
                <HostIndex hosts={data.hosts} chosen={slug ?? null} query={query} setQuery={setQuery} />
                {slug !== undefined && <Shown key={slug} slug={slug} />}
            </div>
        </div>
    );
}

function Shown({ slug }: { slug: string }) {
    const { data: item, error, refetch } = useItem('host', slug);
    if (error !== null && item === undefined) {
        return <Failed error={error} retry={() => refetch()} />;
    }
    return item === undefined ? <Loading what="the host" /> : <HostDocument item={item} />;
}

/** Entries that are drawn at once: more than a window shows. */
const FIRST = 40;

const words = (host: Host) => `${host.name} ${host.about} ${host.words}`;

interface IndexProps {
    hosts: Host[];
    chosen: string | null;
    query: URLSearchParams;
    setQuery: (query: URLSearchParams, options: { replace: boolean }) => void;
}

function HostIndex({ hosts, chosen, query, setQuery }: IndexProps) {
    const [sought, seek] = useAddressed('q', query, setQuery);
    const [most, setMost] = useState(FIRST);
    const all = search(hosts, sought, words);
    const found = all.slice(0, most);
    return (
        <section aria-label="All hosts" className="flex min-h-0 flex-col border-r border-line pt-3 pr-4">
            <input
                type="search"
                aria-label="Search the hosts"
                placeholder="Name, codec, size"
                value={sought}
                onChange={(event) => seek(event.target.value)}
                className="h-8 w-full rounded border border-line bg-surface px-2"
            />
            <ul className="mt-2 -ml-2 min-h-0 flex-1 overflow-y-auto pb-4 text-[13px]">
                {found.map((host) => (
                    <li key={host.slug}>
                        <ItemLink
                            to={`/hosts/${host.slug}${query.size === 0 ? '' : `?${query}`}`}
                            item={host}
                            current={host.slug === chosen}
                            about={host.about}
                        />
                    </li>
                ))}
                {all.length > found.length && (
                    <li className="px-2 py-2">
                        <Button onClick={() => setMost(all.length)}>Show more of {all.length - found.length}</Button>
                    </li>
                )}
                {found.length === 0 && <li className="px-2 py-6 text-soft">No host holds all of that.</li>}
            </ul>
        </section>
    );
}

/** A host of one's own that begins from nothing. */
function NewHost() {
    const [open, setOpen] = useState(false);
    const [name, setName] = useState('');
    const changed = useLibraryChanged();
    const navigate = useNavigate();
    const create = useMutation({
        mutationFn: () => api.createHost({ name: name.trim() }),
        onSuccess: (item) => {
            changed();
            setOpen(false);
            setName('');
            navigate(`/hosts/${item.slug}`);
        },
    });
    return (
        <Popover
            open={open}
            onOpenChange={setOpen}
            label="A new host"
            width={320}
            align="end"
            anchor={<Button onClick={() => setOpen(true)}>New host …</Button>}
        >
            <form
                onSubmit={(event) => {
                    event.preventDefault();
                    create.mutate();
                }}
            >
                <Field label="Name" value={name} onChange={setName} placeholder="As people call it" focused />
                {create.error && (
                    <div className="mt-2">
                        <Trouble message={create.error.message} />
                    </div>
                )}
                <div className="mt-3 flex items-center gap-2">
                    <span className="text-[12px] leading-4 text-soft">To begin from another, copy that one.</span>
                    <Button
                        kind="primary"
                        type="submit"
                        className="ml-auto"
                        disabled={name.trim() === '' || create.isPending}
                        title={name.trim() === '' ? 'It needs a name' : undefined}
                    >
                        Make it
                    </Button>
                </div>
            </form>
        </Popover>
    );
}
