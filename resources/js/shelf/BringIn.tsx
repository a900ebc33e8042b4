import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { api } from '../api/client';
import type { MediaList } from '../api/types';
import { Button } from '../ui/Button';
import { Figures } from '../ui/Figures';
import { Mark } from '../ui/Mark';
import { Trouble } from '../ui/States';

/** The files in the media folders, newest first; what is no video is shown and cannot be chosen. */
export function BringIn({ open, onOpenChange }: { open: boolean; onOpenChange: (open: boolean) => void }) {
    return (
        <Dialog.Root open={open} onOpenChange={onOpenChange}>
            <Dialog.Portal>
                <Dialog.Overlay className="fixed inset-0 z-20 bg-page/70" />
                <Dialog.Content
                    aria-describedby={undefined}
                    className="fixed top-[12vh] left-1/2 z-30 flex max-h-[72vh] w-[760px] -translate-x-1/2 flex-col rounded border border-rule bg-surface p-4 shadow-pop"
                >
                    <Dialog.Title className="text-[17px] font-semibold">Bring in a cut</Dialog.Title>
                    <Files close={() => onOpenChange(false)} />
                </Dialog.Content>
            </Dialog.Portal>
        </Dialog.Root>
    );
}

function Files({ close }: { close: () => void }) {
    const client = useQueryClient();
    const { data, error } = useQuery({ queryKey: ['media'], queryFn: api.media, staleTime: 0 });
    const [text, setText] = useState('');
    const bring = useMutation({
        mutationFn: (path: string) => api.bringIn(path),
        onSuccess: () => {
            client.invalidateQueries({ queryKey: ['cuts'] });
            client.invalidateQueries({ queryKey: ['media'] });
        },
    });
    const files = (data?.files ?? []).filter((file) => file.name.toLowerCase().includes(text.trim().toLowerCase()));
    return (
        <>
            <p className="mt-1 mb-3 truncate text-[13px] text-soft" title={data?.folders.join('\n')}>
                From {data?.folders.join(', ') ?? '…'}. Files stay where they are.
            </p>
            <input
                type="search"
                value={text}
                onChange={(event) => setText(event.target.value)}
                placeholder="Part of the file’s name"
                aria-label="Find a file"
                className="mb-3 h-7 rounded border border-line bg-page px-2.5 text-[13px] placeholder:text-faint"
            />
            {error && <Trouble message={error.message} />}
            {bring.isError && <Trouble message={`${bring.variables?.split('/').at(-1)}: ${bring.error.message}`} />}
            <ul className="mt-1 min-h-0 flex-1 overflow-y-auto border-t border-rule text-[13px]">
                {files.map((file) => (
                    <FileRow
                        key={file.path}
                        file={file}
                        busy={bring.isPending && bring.variables === file.path}
                        bring={() => bring.mutate(file.path)}
                    />
                ))}
                {data && files.length === 0 && (
                    <li className="py-6 text-center text-faint">There is no such file in the media folders.</li>
                )}
            </ul>
            <div className="mt-3 flex justify-end">
                <Button onClick={close}>Close</Button>
            </div>
        </>
    );
}

function FileRow({ file, busy, bring }: { file: MediaList['files'][number]; busy: boolean; bring: () => void }) {
    return (
        <li className={`flex h-9 items-center gap-3 border-b border-line ${file.video ? '' : 'text-faint'}`}>
            <span className="min-w-0 flex-1 truncate" title={file.path}>
                {file.name}
            </span>
            <Figures
                className="w-[130px] flex-none text-right text-soft"
                text={file.modified.slice(0, 16).replace('T', ' ')}
            />
            <Figures className="w-[80px] flex-none text-right" text={file.bytesLabel} />
            <span className="flex w-[110px] flex-none justify-end">
                {!file.video ? (
                    'not a video'
                ) : file.cut !== null ? (
                    <span className="flex items-center gap-2 text-soft">
                        <Mark kind="done" /> on the shelf
                    </span>
                ) : (
                    <Button disabled={busy} onClick={bring} aria-label={`Bring in ${file.name}`}>
                        {busy ? 'Reading …' : 'Bring in'}
                    </Button>
                )}
            </span>
        </li>
    );
}
