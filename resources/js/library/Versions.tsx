import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api } from '../api/client';
import { keys } from '../api/keys';
import { useLibraryChanged } from '../api/library';
import type { LibraryItem } from '../api/types';
import { Button } from '../ui/Button';
import { Figures } from '../ui/Figures';
import { moment } from '../ui/moment';
import { Trouble } from '../ui/States';
import { DifferenceTable } from './DifferenceTable';

/** What an item was from save to save: looked at against what it is, and gone back to. */
export function Versions({ item }: { item: LibraryItem }) {
    const changed = useLibraryChanged();
    const [open, setOpen] = useState<number | null>(null);
    const [other, setOther] = useState<number | null>(null);
    const to = other ?? item.version;
    const back = useMutation({
        mutationFn: (version: number) => api.goBack(item.kind, item.slug, version),
        onSuccess: () => {
            setOpen(null);
            changed();
        },
    });
    const compared = useQuery({
        queryKey: keys.itemVersions(item.kind, item.slug, open, to),
        queryFn: () => api.compareVersions(item.kind, item.slug, open ?? 1, to),
        enabled: open !== null,
    });
    if (item.shipped) {
        return null;
    }
    return (
        <section aria-label="Versions" className="mt-5 text-[13px]">
            <h3 className="mb-1 font-medium">Versions</h3>
            <ul className="border-t border-line">
                {item.versions.map((version) => (
                    <li key={version.version} className="border-b border-line">
                        <div className="flex min-h-8 items-center gap-3">
                            <Figures className="w-8 flex-none" text={String(version.version)} />
                            <Figures className="w-[150px] flex-none text-soft" text={moment(version.savedAt)} />
                            <span className="min-w-0 flex-1 truncate" title={version.note}>
                                {version.note || <span className="text-faint">no note</span>}
                            </span>
                            {version.version === item.version ? (
                                <span className="pr-3 text-soft">in use</span>
                            ) : (
                                <>
                                    <Button
                                        kind="quiet"
                                        className="h-6"
                                        aria-expanded={open === version.version}
                                        onClick={() => {
                                            setOther(null);
                                            setOpen(open === version.version ? null : version.version);
                                        }}
                                    >
                                        Compare
                                    </Button>
                                    <Button
                                        kind="quiet"
                                        className="h-6"
                                        disabled={back.isPending}
                                        onClick={() => back.mutate(version.version)}
                                    >
                                        Go back to it
                                    </Button>
                                </>
                            )}
                        </div>
                        {open === version.version && (
                            <div className="pb-1">
                                <label className="flex items-center gap-2 py-1 text-[12px] text-soft">
                                    Against version
                                    <select
                                        value={to}
                                        onChange={(event) => setOther(Number(event.target.value))}
                                        className="h-6 rounded border border-line bg-page px-1"
                                    >
                                        {item.versions
                                            .filter((candidate) => candidate.version !== version.version)
                                            .map((candidate) => (
                                                <option key={candidate.version} value={candidate.version}>
                                                    {candidate.version}
                                                    {candidate.version === item.version ? ', in use' : ''}
                                                </option>
                                            ))}
                                    </select>
                                </label>
                                {compared.data && (
                                    <DifferenceTable
                                        rows={compared.data.rows}
                                        from={`Version ${version.version}`}
                                        to={`Version ${to}`}
                                    />
                                )}
                            </div>
                        )}
                    </li>
                ))}
            </ul>
            {back.error && <Trouble message={back.error.message} />}
        </section>
    );
}
