import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api } from '../api/client';
import { keys } from '../api/keys';
import { Button } from './Button';
import { Figures } from './Figures';
import { Modal } from './Modal';
import { Trouble } from './States';

interface Props {
    label: string;
    title: string;
    /** Paths that are given already. */
    taken: string[];
    /** In the order in which they were chosen. */
    pick: (paths: string[]) => void;
    /** How many there have to be. */
    least?: number;
    most?: number;
}

/** Videos of the media folders, of which some are taken. */
export function PickFiles({ label, title, taken, pick, least = 1, most = Number.POSITIVE_INFINITY }: Props) {
    const [open, setOpen] = useState(false);
    return (
        <Modal open={open} onOpenChange={setOpen} title={title} width={720} trigger={<Button>{label}</Button>}>
            <Files
                taken={taken}
                least={least}
                most={most}
                close={() => setOpen(false)}
                pick={(paths) => {
                    pick(paths);
                    setOpen(false);
                }}
            />
        </Modal>
    );
}

type FilesProps = Required<Pick<Props, 'taken' | 'pick' | 'least' | 'most'>> & { close: () => void };

function Files({ taken, pick, least, most, close }: FilesProps) {
    const { data, error } = useQuery({ queryKey: keys.media(), queryFn: () => api.media(), staleTime: 0 });
    const [text, setText] = useState('');
    const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
    const wanted = text.trim().toLowerCase();
    const files = (data?.files ?? []).filter(
        (file) => file.kind === 'video' && `${file.folder}/${file.name}`.toLowerCase().includes(wanted),
    );
    const choose = (path: string) => {
        const next = new Set(chosen);
        next.delete(path) || next.add(path);
        setChosen(next);
    };
    return (
        <>
            <p className="mb-2 text-soft">Videos in the media folders, newest first.</p>
            <input
                type="search"
                aria-label="Find a file"
                placeholder="Part of a file’s or folder’s name"
                value={text}
                onChange={(event) => setText(event.target.value)}
                className="h-7 flex-none rounded border border-line bg-page px-2.5 placeholder:text-faint"
            />
            {error && <Trouble message={error.message} />}
            <ul className="mt-2 h-[46vh] overflow-y-auto border-t-2 border-rule">
                {files.map((file) => {
                    const isTaken = taken.includes(file.path);
                    return (
                        <li key={file.path} className="border-b border-line">
                            <label
                                className={`flex h-[30px] items-center gap-2 px-1 ${isTaken ? 'text-faint' : 'hover:bg-sunk'}`}
                                title={file.path}
                            >
                                <input
                                    type="checkbox"
                                    className="accent-rust"
                                    disabled={isTaken || (chosen.size >= most && !chosen.has(file.path))}
                                    checked={isTaken || chosen.has(file.path)}
                                    onChange={() => choose(file.path)}
                                />
                                <span className="min-w-0 flex-1 truncate">{file.name}</span>
                                <span className="max-w-[220px] flex-none truncate text-soft">
                                    {file.folder.split('/').at(-1)}
                                </span>
                                <Figures className="w-[84px] flex-none text-right" text={file.bytesLabel} />
                            </label>
                        </li>
                    );
                })}
                {data && files.length === 0 && (
                    <li className="py-6 text-center text-soft">
                        {wanted === '' ? 'There is no video in the media folders.' : 'No video is called so.'}
                    </li>
                )}
            </ul>
            <div className="mt-3 flex flex-none justify-end gap-2">
                <Button kind="quiet" onClick={close}>
                    Cancel
                </Button>
                <Button
                    kind="primary"
                    disabled={chosen.size < least}
                    title={
                        chosen.size < least ? `Choose ${least === 1 ? 'a file' : `${least} files`} first` : undefined
                    }
                    onClick={() => pick([...chosen])}
                >
                    Take {chosen.size < 2 ? 'it' : `${chosen.size} files`}
                </Button>
            </div>
        </>
    );
}
