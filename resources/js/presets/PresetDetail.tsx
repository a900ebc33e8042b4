import { useMutation } from '@tanstack/react-query';
import { memo, useState } from 'react';
import { api } from '../api/client';
import { useLibraryChanged } from '../api/library';
import { useHosts, useItem } from '../api/queries';
import type { LibraryItem, PresetCard } from '../api/types';
import { ItemActions, useItemActions } from '../library/ItemActions';
import { Versions } from '../library/Versions';
import { Button } from '../ui/Button';
import { Field } from '../ui/Field';
import { Figures } from '../ui/Figures';
import { Failed, Loading, Trouble } from '../ui/States';
import { Defaults } from './Defaults';
import { TriedOn } from './TriedOn';

/** One preset: what it says, what it would decide for a cut, what it was. */
export const PresetDetail = memo(function PresetDetail({ slug, presets }: { slug: string; presets: PresetCard[] }) {
    const { data: item, error, refetch } = useItem('preset', slug);
    if (error !== null && item === undefined) {
        return <Failed error={error} retry={() => refetch()} />;
    }
    if (item === undefined) {
        return <Loading what="the preset" />;
    }
    return <Detail item={item} presets={presets} />;
});

function Detail({ item, presets }: { item: LibraryItem; presets: PresetCard[] }) {
    const hosts = useHosts().data?.hosts ?? [];
    const [editing, edit] = useState(false);
    const card = presets.find((preset) => preset.slug === item.slug) ?? item.card;
    const actions = useItemActions(item);
    return (
        <article className="min-h-0 overflow-y-auto pt-3 pb-6" aria-label={item.name}>
            <div className="flex flex-wrap items-start gap-x-3 gap-y-2">
                <div className="min-w-[340px] flex-1">
                    <h2 className="flex items-baseline gap-3">
                        <span className="font-stencil text-[16px] tracking-[.05em] uppercase">{card?.role}</span>
                        <span className="truncate text-[17px] font-semibold" title={item.name}>
                            {item.name}
                        </span>
                        <Figures
                            className="flex-none text-[13px] text-soft"
                            text={item.shipped ? 'ships with Outer Crate' : `version ${item.version}`}
                        />
                    </h2>
                    <p className="text-[13px] text-soft">{item.about}</p>
                    <p className="flex gap-2 text-[12px] text-soft">
                        <span>
                            For {hosts.find((host) => host.slug === card?.host)?.name ?? 'any place'}
                            {card !== null &&
                                card.uses > 0 &&
                                `, packed with ${card.uses === 1 ? 'once' : `${card.uses} times`}`}
                        </span>
                        {card?.tags.map((tag) => (
                            <span key={tag} className="rounded bg-sunk px-1.5">
                                {tag}
                            </span>
                        ))}
                    </p>
                </div>
                <ItemActions
                    item={item}
                    actions={actions}
                    change={
                        !item.shipped && (
                            <Button onClick={() => edit(!editing)} aria-expanded={editing}>
                                Rename
                            </Button>
                        )
                    }
                >
                    {card !== null && <Defaults card={card} />}
                </ItemActions>
            </div>
            {actions.trouble && <Trouble message={actions.trouble.message} />}
            {item.fault !== null && <Trouble message={item.fault} />}
            {item.unknown.length > 0 && (
                <p className="mt-2 rounded bg-sunk px-3 py-2 text-[13px]">
                    Kept, and without effect here: {item.unknown.join(', ')}. A newer Outer Crate may know it.
                </p>
            )}
            {editing && <Rename item={item} close={() => edit(false)} />}
            <TriedOn item={item} presets={presets} />
            <Versions item={item} />
            {item.sheets.length > 0 && (
                <p className="mt-4 text-[13px] text-soft">
                    Used on: {item.sheets.map((sheet) => sheet.name).join(', ')}
                </p>
            )}
        </article>
    );
}

function Rename({ item, close }: { item: LibraryItem; close: () => void }) {
    const changed = useLibraryChanged();
    const [name, setName] = useState(item.name);
    const [about, setAbout] = useState(item.about);
    const [tags, setTags] = useState(item.card?.tags.join(', ') ?? '');
    const save = useMutation({
        mutationFn: () =>
            api.savePreset(item.slug, {
                name: name.trim(),
                about,
                tags: tags
                    .split(',')
                    .map((tag) => tag.trim())
                    .filter((tag) => tag !== ''),
                note: name.trim() === item.name ? 'Note and tags' : 'Renamed',
                began: item.version,
            }),
        onSuccess: () => {
            changed();
            close();
        },
        onError: changed,
    });
    return (
        <form
            className="mt-3 grid max-w-[640px] grid-cols-2 gap-x-4 gap-y-2 rounded bg-sunk p-3"
            onSubmit={(event) => {
                event.preventDefault();
                save.mutate();
            }}
        >
            <Field label="Name" value={name} onChange={setName} focused />
            <Field label="Tags" value={tags} onChange={setTags} placeholder="small, archive" />
            <Field label="Note" value={about} onChange={setAbout} wide lines={2} />
            {save.error && (
                <div className="col-span-full">
                    <Trouble message={save.error.message} />
                </div>
            )}
            <div className="col-span-full flex justify-end gap-2">
                <Button kind="quiet" onClick={close}>
                    Cancel
                </Button>
                <Button
                    kind="primary"
                    type="submit"
                    disabled={name.trim() === '' || save.isPending}
                    title={name.trim() === '' ? 'It needs a name' : undefined}
                >
                    Save
                </Button>
            </div>
        </form>
    );
}
