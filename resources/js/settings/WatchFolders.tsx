import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { api } from '../api/client';
import { keys } from '../api/keys';
import { usePresets } from '../api/queries';
import type { WatchFolders as Watched } from '../api/types';
import { Button } from '../ui/Button';
import { Mark } from '../ui/Mark';
import { Trouble } from '../ui/States';

type Folder = Watched['folders'][number];
type Output = Folder['outputs'][number];

const words = { settling: 'arrives', packing: 'is packed', packed: 'packed', failed: 'failed', refused: 'set aside' };

/** Folders whose files are brought in and packed by themselves, and what became of the latest. */
export function WatchFolders() {
    const client = useQueryClient();
    const { data } = useQuery({ queryKey: keys.watchFolders(), queryFn: api.watchFolders, refetchInterval: 3_000 });
    const presets = usePresets().data?.presets ?? [];
    const known = (answer: Watched) => client.setQueryData(keys.watchFolders(), answer);
    const add = useMutation({
        mutationFn: api.watchFolder,
        onSuccess: (answer) => {
            known(answer);
            setPath('');
            setOutputs([]);
        },
    });
    const remove = useMutation({ mutationFn: api.unwatch, onSuccess: known });
    const [path, setPath] = useState('');
    const [outputs, setOutputs] = useState<Output[]>([]);
    const nameOf = ({ preset, host }: Output) =>
        `${presets.find(({ slug }) => slug === preset)?.name ?? preset}${host ? ` → ${host}` : ''}`;
    return (
        <section aria-labelledby="watch-folders" className="mt-6 text-[13px]">
            <h2 id="watch-folders" className="font-stencil text-[16px] tracking-[.05em]">
                WATCH FOLDERS
            </h2>
            <p className="mb-2 text-soft">
                What arrives in them is brought in once it has settled, and packed with their presets. What cannot be
                packed is set aside there, with the reason.
            </p>
            <ul className="border-t-2 border-rule">
                {data?.folders.map((folder) => (
                    <li key={folder.id} className="border-b border-line py-2">
                        <div className="flex items-center gap-3">
                            <span className="figure min-w-0 truncate" title={folder.path}>
                                {folder.path}
                            </span>
                            <span className="min-w-0 flex-1 truncate text-soft">
                                {folder.isThere ? folder.outputs.map(nameOf).join(', ') : 'is not there now'}
                            </span>
                            <Button
                                kind="quiet"
                                aria-label={`Watch ${folder.path} no longer`}
                                title="Watch it no longer; its files stay"
                                onClick={() => remove.mutate(folder.id)}
                            >
                                <Trash2 size={14} />
                            </Button>
                        </div>
                        {folder.files.map((file) => (
                            <div key={file.name} className="flex h-6 items-center gap-2 pl-4 text-[12.5px]">
                                <span className="w-[70px] flex-none text-soft">{words[file.state]}</span>
                                {(file.state === 'refused' || file.state === 'failed') && <Mark kind="caution" />}
                                <span className="truncate" title={file.error ?? file.name}>
                                    {file.name}
                                    {file.error && <span className="text-soft"> · {file.error}</span>}
                                </span>
                                {file.pack && (
                                    <Link to={`/slips/${file.pack}`} className="flex-none text-rust hover:underline">
                                        Slips
                                    </Link>
                                )}
                            </div>
                        ))}
                    </li>
                ))}
                {data?.folders.length === 0 && <li className="border-b border-line py-2 text-faint">None yet.</li>}
            </ul>
            <form
                className="mt-3 flex flex-wrap items-center gap-2"
                onSubmit={(event) => {
                    event.preventDefault();
                    add.mutate({ path: path.trim(), outputs });
                }}
            >
                <input
                    aria-label="Folder to watch"
                    value={path}
                    placeholder="/volumes/finished"
                    onChange={(event) => setPath(event.target.value)}
                    className="figure h-7 w-[360px] rounded border border-line bg-page px-2"
                />
                <select
                    aria-label="Make of its files"
                    value=""
                    onChange={(event) => {
                        const preset = presets.find(({ slug }) => slug === event.target.value);
                        if (preset !== undefined) {
                            setOutputs([...outputs, { preset: preset.slug, host: preset.host }]);
                        }
                    }}
                    className="h-7 max-w-[220px] rounded border border-line bg-page px-1.5"
                >
                    <option value="">{outputs.length === 0 ? 'Make of its files …' : 'And …'}</option>
                    {presets.map(({ slug, name }) => (
                        <option key={slug} value={slug}>
                            {name}
                        </option>
                    ))}
                </select>
                {outputs.map((output, i) => (
                    <button
                        // biome-ignore lint/suspicious/noArrayIndexKey: items have no identity but their position
                        key={i}
                        type="button"
                        title="Leave it out"
                        className="h-7 rounded bg-sunk px-2 hover:line-through"
                        onClick={() => setOutputs(outputs.filter((_, at) => at !== i))}
                    >
                        {nameOf(output)}
                    </button>
                ))}
                <Button type="submit" disabled={path.trim() === '' || outputs.length === 0 || add.isPending}>
                    Watch it
                </Button>
            </form>
            {add.error && (
                <div className="mt-2">
                    <Trouble message={add.error.message} />
                </div>
            )}
        </section>
    );
}
