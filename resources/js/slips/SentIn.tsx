import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api } from '../api/client';
import { keys } from '../api/keys';
import type { PackedRun } from '../api/types';
import { Button } from '../ui/Button';
import { Figures } from '../ui/Figures';
import { Popover } from '../ui/Popover';

/** How long a file took to its host: said once by the person, and from then on what sending times are reckoned with. */
export function SentIn({ run }: { run: PackedRun }) {
    const client = useQueryClient();
    const [open, setOpen] = useState(false);
    const [typed, setTyped] = useState('');
    const save = useMutation({
        mutationFn: (took: string | null) => api.sent(run.id, took),
        onSuccess: () => {
            for (const queryKey of [keys.pack(run.pack), keys.machine(), keys.sheets()]) {
                client.invalidateQueries({ queryKey });
            }
            setOpen(false);
        },
    });
    return (
        <Popover
            open={open}
            onOpenChange={setOpen}
            label="How long sending took"
            width={280}
            anchor={
                <button
                    type="button"
                    onClick={() => {
                        setTyped(run.sent?.label ?? '');
                        save.reset();
                        setOpen(true);
                    }}
                    className="truncate text-faint underline decoration-dotted underline-offset-3 hover:text-ink"
                >
                    {run.sent === null ? (
                        'enter upload time'
                    ) : (
                        <Figures text={`${run.sent.label} · ${run.sent.speedLabel}`} />
                    )}
                </button>
            }
        >
            <form
                onSubmit={(event) => {
                    event.preventDefault();
                    save.mutate(typed);
                }}
            >
                <label htmlFor="sent-in" className="mb-2 block font-medium">
                    Sending it took
                </label>
                <div className="flex items-center gap-2">
                    <input
                        id="sent-in"
                        autoComplete="off"
                        placeholder="1:05:00"
                        value={typed}
                        onChange={(event) => setTyped(event.target.value)}
                        className="figure h-7 w-24 rounded border border-line bg-page px-2 text-right"
                    />
                    <span className="ml-auto flex gap-2">
                        {run.sent !== null && (
                            <Button kind="quiet" onClick={() => save.mutate(null)} disabled={save.isPending}>
                                Take back
                            </Button>
                        )}
                        <Button
                            type="submit"
                            kind="primary"
                            disabled={typed.trim() === '' || save.isPending}
                            title={typed.trim() === '' ? 'Say how long it took first' : undefined}
                        >
                            Keep
                        </Button>
                    </span>
                </div>
                <p className="mt-2 text-[12px] leading-4 text-soft">
                    Minutes and seconds, or hours too. The last five files teach how fast your line sends.
                </p>
                {save.isError && (
                    <p role="alert" className="mt-2 text-stop">
                        {save.error.message}
                    </p>
                )}
            </form>
        </Popover>
    );
}
