import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api } from '../api/client';
import { keys } from '../api/keys';
import type { CutList } from '../api/types';
import { Button } from '../ui/Button';
import { Popover } from '../ui/Popover';
import { Trouble } from '../ui/States';

/** Cuts that were taken off the shelf: each comes back with its sheet and its slips. */
export function TakenOff({ cuts }: { cuts: CutList['takenOff'] }) {
    const [open, setOpen] = useState(false);
    const client = useQueryClient();
    const back = useMutation({
        mutationFn: (cut: number) => api.putBack(cut),
        onSettled: () => client.invalidateQueries({ queryKey: keys.cuts() }),
    });
    if (cuts.length === 0) {
        return null;
    }
    return (
        <Popover
            open={open}
            onOpenChange={setOpen}
            label="Cuts that were taken off"
            width={400}
            align="end"
            anchor={<Button onClick={() => setOpen(true)}>{cuts.length} taken off</Button>}
        >
            <p className="mb-2 text-soft">Each comes back with its sheet and its slips.</p>
            <ul className="flex max-h-[300px] flex-col gap-1 overflow-y-auto">
                {cuts.map((cut) => (
                    <li key={cut.id} className="flex items-center gap-3">
                        <span className="min-w-0 flex-1 truncate" title={cut.file}>
                            {cut.name} <span className="text-faint">{cut.file}</span>
                        </span>
                        <Button
                            className="h-6"
                            aria-label={`Take ${cut.name} back`}
                            disabled={back.isPending}
                            onClick={() => back.mutate(cut.id)}
                        >
                            Take back
                        </Button>
                    </li>
                ))}
            </ul>
            {back.error && <Trouble message={back.error.message} />}
        </Popover>
    );
}
