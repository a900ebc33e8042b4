import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api } from '../api/client';
import { keys } from '../api/keys';
import { useLibraryChanged } from '../api/library';
import { useHosts, usePresets } from '../api/queries';
import type { PresetCard } from '../api/types';
import { Button } from '../ui/Button';
import { Popover } from '../ui/Popover';
import { Trouble } from '../ui/States';

/** What new sheets begin with: a preset for a role, or for a role and a host. */
export function Defaults({ card }: { card: PresetCard }) {
    const [open, setOpen] = useState(false);
    const changed = useLibraryChanged();
    const client = useQueryClient();
    const defaults = usePresets().data?.defaults ?? {};
    const names = new Map(usePresets().data?.presets.map((preset) => [preset.slug, preset.name]));
    const hosts = useHosts().data?.hosts ?? [];
    const set = useMutation({
        mutationFn: ({ about, on }: { about: string; on: boolean }) => api.setDefault(about, on ? card.slug : null),
        // Pending until the list says so, too.
        onSuccess: async () => {
            await client.invalidateQueries({ queryKey: keys.presets() });
            changed();
        },
    });
    const places = [card.role, ...(card.role === 'upload' ? hosts.map((host) => `upload@${host.slug}`) : [])];
    const wordsOf = (place: string) => {
        const host = place.split('@')[1];
        const name = hosts.find((candidate) => candidate.slug === host)?.name ?? host;
        return host === undefined ? `As ${card.role}, for no host` : `As upload for ${name}`;
    };
    return (
        <Popover
            open={open}
            onOpenChange={setOpen}
            label="Where new sheets begin with it"
            width={340}
            align="end"
            anchor={
                <Button onClick={() => setOpen(true)} aria-expanded={open}>
                    {card.defaultFor.length > 0 ? 'Default ✓' : 'Default …'}
                </Button>
            }
        >
            <p className="mb-2 text-soft">A new sheet begins with a column for each default.</p>
            <ul className="flex flex-col gap-1.5">
                {places.map((place) => {
                    // What was just said shows at once.
                    const said = set.isPending && set.variables.about === place;
                    const on = said ? set.variables.on : card.defaultFor.includes(place);
                    const other = on ? undefined : names.get(defaults[place] ?? '');
                    return (
                        <li key={place}>
                            <label className="flex items-start gap-2">
                                <input
                                    type="checkbox"
                                    checked={on}
                                    onChange={() => set.mutate({ about: place, on: !on })}
                                    className="mt-1 accent-rust"
                                />
                                <span>
                                    {wordsOf(place)}
                                    {other !== undefined && (
                                        <span className="block text-[12px] text-soft">now: {other}</span>
                                    )}
                                </span>
                            </label>
                        </li>
                    );
                })}
            </ul>
            {set.error && <Trouble message={set.error.message} />}
        </Popover>
    );
}
