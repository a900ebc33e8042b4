import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api } from '../api/client';
import { keys } from '../api/keys';
import type { Cut } from '../api/types';
import { Button } from '../ui/Button';
import { Figures } from '../ui/Figures';
import { Mark } from '../ui/Mark';
import { Popover } from '../ui/Popover';
import { Trouble } from '../ui/States';

interface Props {
    cuts: Cut[];
    /** Cuts on later pages of the shelf. */
    unlisted: number;
}

/** Packs what is decided on the sheets of several cuts at once. */
export function PackSheets({ cuts, unlisted }: Props) {
    const client = useQueryClient();
    const [open, setOpen] = useState(false);
    const [chosen, setChosen] = useState<number[]>([]);
    const pack = useMutation({
        mutationFn: () => api.packSheets(chosen),
        onSuccess: ({ refused }) => setChosen(refused.map(({ cut }) => cut)),
        onSettled: () => client.invalidateQueries({ queryKey: keys.runs() }),
    });
    const here = cuts.filter(({ fileState }) => fileState === 'here');
    const toggle = (id: number) =>
        setChosen(chosen.includes(id) ? chosen.filter((one) => one !== id) : [...chosen, id]);
    const toggleOpen = (next: boolean) => {
        setOpen(next);
        setChosen([]);
        pack.reset();
    };
    const queued = pack.data?.runs.length ?? 0;
    return (
        <Popover
            open={open}
            onOpenChange={toggleOpen}
            label="Pack several sheets"
            align="end"
            width={360}
            anchor={<Button onClick={() => toggleOpen(true)}>Pack sheets …</Button>}
        >
            <p className="mb-2 text-soft">Every file that is decided on these sheets is made.</p>
            <ul className="max-h-[320px] overflow-y-auto">
                {here.map(({ id, name }) => {
                    const refused = pack.data?.refused.find(({ cut }) => cut === id);
                    return (
                        <li key={id}>
                            <label className="flex items-center gap-2.5 py-1">
                                <input type="checkbox" checked={chosen.includes(id)} onChange={() => toggle(id)} />
                                <span className="truncate" title={name}>
                                    {name}
                                </span>
                            </label>
                            {refused && (
                                <p role="alert" className="mb-1 ml-6 flex gap-2 leading-[18px]">
                                    <Mark kind="stop" />
                                    {refused.message}
                                </p>
                            )}
                        </li>
                    );
                })}
            </ul>
            {unlisted > 0 && (
                <p className="mt-2 text-soft">
                    <Figures
                        text={`${unlisted} more cuts are not listed. Search the shelf or show more to add them.`}
                    />
                </p>
            )}
            {pack.error && <Trouble message={pack.error.message} />}
            <div className="mt-3 flex items-center gap-3">
                <Button
                    kind="quiet"
                    onClick={() => setChosen(chosen.length === here.length ? [] : here.map(({ id }) => id))}
                >
                    {chosen.length === here.length ? 'None' : 'All'}
                </Button>
                {queued > 0 && (
                    <Link to="/queue" className="text-rust hover:underline">
                        <Figures text={`${queued} ${queued === 1 ? 'run' : 'runs'} in the queue`} />
                    </Link>
                )}
                <Button
                    kind="primary"
                    className="ml-auto"
                    disabled={chosen.length === 0 || pack.isPending}
                    onClick={() => pack.mutate()}
                >
                    Pack {chosen.length} {chosen.length === 1 ? 'sheet' : 'sheets'}
                </Button>
            </div>
        </Popover>
    );
}
