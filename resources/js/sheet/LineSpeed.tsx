import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api } from '../api/client';
import { keys } from '../api/keys';
import type { Machine } from '../api/types';
import { Button } from '../ui/Button';
import { Figures } from '../ui/Figures';
import { Popover } from '../ui/Popover';

/** "at 5 Mb/s", and a place to say what the line really sends. */
export function LineSpeed({ machine }: { machine: Machine }) {
    const client = useQueryClient();
    const [open, setOpen] = useState(false);
    const [typed, setTyped] = useState('');
    const save = useMutation({
        mutationFn: () => api.setLineSpeed(Math.round(Number(typed.replace(',', '.')) * 1_000_000)),
        onSuccess: (answer) => {
            client.setQueryData(keys.machine(), answer);
            client.invalidateQueries({ queryKey: keys.sheets() });
            setOpen(false);
        },
    });
    const number = Number(typed.replace(',', '.'));
    const sent = machine.lineSpeedLearntFrom === 1 ? 'the file' : `the last ${machine.lineSpeedLearntFrom} files`;
    const usable = number >= 0.01 && number <= 100_000;
    return (
        <Popover
            open={open}
            onOpenChange={setOpen}
            label="Speed of the line"
            width={260}
            anchor={
                <button
                    type="button"
                    title="Say how fast your line sends"
                    onClick={() => {
                        setTyped(String(Math.round(machine.lineSpeed / 10_000) / 100));
                        setOpen(true);
                    }}
                    className="font-normal text-faint underline decoration-dotted underline-offset-3 hover:text-ink"
                >
                    <Figures text={`at ${machine.lineSpeedLabel}`} />
                </button>
            }
        >
            <form
                onSubmit={(event) => {
                    event.preventDefault();
                    if (usable) {
                        save.mutate();
                    }
                }}
            >
                <label htmlFor="line-speed" className="mb-2 block font-medium">
                    Your line sends
                </label>
                <div className="flex items-center gap-2">
                    <input
                        id="line-speed"
                        inputMode="decimal"
                        value={typed}
                        onChange={(event) => setTyped(event.target.value)}
                        className="figure h-7 w-24 rounded border border-line bg-page px-2 text-right"
                    />
                    Mb/s
                    <Button
                        type="submit"
                        kind="primary"
                        className="ml-auto"
                        disabled={!usable || save.isPending}
                        title={usable ? undefined : 'Write a speed above 0 first'}
                    >
                        Set
                    </Button>
                </div>
                <p className="mt-2 text-[12px] leading-4 text-soft">
                    {machine.lineSpeedLearntFrom === 0
                        ? 'Say on the slips how long a file took to its host, and this is learnt.'
                        : `Learnt from ${sent} you sent. What you set here holds until the next one.`}
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
