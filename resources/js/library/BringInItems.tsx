import { useMutation } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { api, type Way } from '../api/client';
import { useLibraryChanged } from '../api/library';
import type { ImportAnswer } from '../api/types';
import { Button } from '../ui/Button';
import { Modal } from '../ui/Modal';
import { Segments } from '../ui/Segments';
import { Trouble } from '../ui/States';
import { DifferenceTable } from './DifferenceTable';

const ways: readonly { value: Way; label: string }[] = [
    { value: 'both', label: 'Keep both' },
    { value: 'replace', label: 'Replace mine' },
    { value: 'skip', label: 'Leave out' },
];

const states = { new: 'new', same: 'the same as here', conflict: 'here in other words' };

interface Chosen {
    name: string;
    text: string;
}

/** Brings presets and hosts in from a file that is chosen or dropped on the page: what is in it is shown before anything is taken. */
export function BringInItems() {
    const input = useRef<HTMLInputElement>(null);
    const [chosen, setChosen] = useState<Chosen | null>(null);
    const [over, setOver] = useState(false);
    const [refused, refuse] = useState<string | null>(null);
    useEffect(() => {
        const take = async (file: File | undefined) => {
            setOver(false);
            if (file === undefined) {
                return;
            }
            if (file.size > 8_000_000) {
                refuse(
                    `${file.name} has ${(file.size / 1e6).toFixed(1)} MB, and files of presets at most 8 MB. Nothing was changed.`,
                );
                return;
            }
            refuse(null);
            setChosen({ name: file.name, text: await file.text() });
        };
        const holdsFiles = (event: DragEvent) => event.dataTransfer?.types.includes('Files') === true;
        const onOver = (event: DragEvent) => {
            if (holdsFiles(event)) {
                event.preventDefault();
                setOver(true);
            }
        };
        const onLeave = (event: DragEvent) => event.relatedTarget === null && setOver(false);
        const onDrop = (event: DragEvent) => {
            if (holdsFiles(event)) {
                event.preventDefault();
                take(event.dataTransfer?.files[0]);
            }
        };
        const onChoose = () => {
            take(input.current?.files?.[0]);
            if (input.current !== null) {
                input.current.value = '';
            }
        };
        const field = input.current;
        window.addEventListener('dragover', onOver);
        window.addEventListener('dragleave', onLeave);
        window.addEventListener('drop', onDrop);
        field?.addEventListener('change', onChoose);
        return () => {
            window.removeEventListener('dragover', onOver);
            window.removeEventListener('dragleave', onLeave);
            window.removeEventListener('drop', onDrop);
            field?.removeEventListener('change', onChoose);
        };
    }, []);
    return (
        <>
            <input
                ref={input}
                type="file"
                accept=".json,application/json"
                aria-label="A file of presets or hosts"
                hidden
            />
            <Button onClick={() => input.current?.click()} title="Or drop it on this page">
                Bring in a file …
            </Button>
            {over && (
                <div className="pointer-events-none fixed inset-4 z-40 rounded border-2 border-dashed border-rust bg-page/90">
                    <p className="flex h-full items-center justify-center text-[17px] font-semibold">
                        Drop a file of presets or hosts
                    </p>
                </div>
            )}
            {refused !== null && (
                <div className="fixed right-5 bottom-14 z-40 max-w-[420px]">
                    <Trouble message={refused} />
                </div>
            )}
            <Modal
                open={chosen !== null}
                onOpenChange={(open) => !open && setChosen(null)}
                title={chosen?.name ?? ''}
                width={640}
            >
                {chosen !== null && <Preview chosen={chosen} close={() => setChosen(null)} />}
            </Modal>
        </>
    );
}

function Preview({ chosen, close }: { chosen: Chosen; close: () => void }) {
    const changed = useLibraryChanged();
    const [settled, settle] = useState<Record<string, Way>>({});
    const look = useMutation({ mutationFn: () => api.lookInto(chosen.name, chosen.text) });
    const take = useMutation({
        mutationFn: () => api.bringInItems(chosen.name, chosen.text, settled),
        onSuccess: () => {
            changed();
            close();
        },
    });
    const { mutate } = look;
    useEffect(() => mutate(), [mutate]);
    if (look.error !== null) {
        return (
            <>
                <Trouble message={look.error.message} />
                <div className="mt-4 flex justify-end">
                    <Button onClick={close}>Close</Button>
                </div>
            </>
        );
    }
    const items = look.data?.items ?? [];
    const taken = items.filter(
        (item, i) => item.state === 'new' || (item.state === 'conflict' && settled[i] !== 'skip'),
    ).length;
    return (
        <>
            <ul className="min-h-0 flex-1 overflow-y-auto border-t border-line">
                {items.map((item, i) => (
                    <Item
                        key={`${item.kind} ${item.name}`}
                        item={item}
                        way={settled[i] ?? 'both'}
                        settle={(way) => settle({ ...settled, [i]: way })}
                    />
                ))}
            </ul>
            {take.error && <Trouble message={take.error.message} />}
            <div className="mt-4 flex items-center gap-2">
                <span className="text-soft">
                    {look.data === undefined ? 'Reading …' : 'All of it is taken, or nothing.'}
                </span>
                <Button kind="quiet" className="ml-auto" onClick={close}>
                    Cancel
                </Button>
                <Button
                    kind="primary"
                    disabled={taken === 0 || take.isPending}
                    title={taken === 0 ? 'There is nothing new in it' : undefined}
                    onClick={() => take.mutate()}
                >
                    Bring in {taken}
                </Button>
            </div>
        </>
    );
}

interface ItemProps {
    item: ImportAnswer['items'][number];
    way: Way;
    settle: (way: Way) => void;
}

function Item({ item, way, settle }: ItemProps) {
    const options = item.there?.shipped ? ways.filter(({ value }) => value !== 'replace') : ways;
    return (
        <li className="border-b border-line py-2">
            <div className="flex items-center gap-3">
                <span className="w-12 flex-none text-soft">{item.kind}</span>
                <span className="min-w-0 flex-1 truncate font-medium" title={item.name}>
                    {item.name}
                </span>
                {item.state === 'conflict' ? (
                    <Segments
                        label={`What is done with ${item.name}`}
                        value={way}
                        options={options}
                        onChange={settle}
                    />
                ) : (
                    <span className="text-soft">{states[item.state]}</span>
                )}
            </div>
            {item.state === 'conflict' && (
                <div className="mt-1 pl-[60px]">
                    <DifferenceTable rows={item.differences} from="Here" to="In the file" />
                </div>
            )}
            {item.unknown.length > 0 && (
                <p className="pl-[60px] text-[12px] text-soft">Kept, without effect here: {item.unknown.join(', ')}</p>
            )}
        </li>
    );
}
