import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api } from '../api/client';
import { useLibraryChanged } from '../api/library';
import { Button } from '../ui/Button';
import { Field } from '../ui/Field';
import { Popover } from '../ui/Popover';
import { Trouble } from '../ui/States';

/** Makes a preset of one's own of a candidate. */
export function KeepAsPreset({ test, candidate, hostName }: { test: number; candidate: string; hostName: string }) {
    const [open, setOpen] = useState(false);
    const [name, setName] = useState('');
    const changed = useLibraryChanged();
    const keep = useMutation({
        mutationFn: () =>
            api.createPreset({
                name: name.trim(),
                note: `Of a transit test through ${hostName}: ${candidate}`,
                fromTest: { test, candidate },
            }),
        onSuccess: () => {
            changed();
            setOpen(false);
        },
    });
    if (keep.data !== undefined) {
        return (
            <Link
                to={`/presets/${keep.data.slug}`}
                className="text-[13px] whitespace-nowrap text-rust underline underline-offset-3"
            >
                {keep.data.name} is kept
            </Link>
        );
    }
    return (
        <Popover
            open={open}
            onOpenChange={setOpen}
            label="Keep as a preset"
            align="end"
            anchor={
                <Button className="h-9" onClick={() => setOpen(true)}>
                    Keep as a preset …
                </Button>
            }
        >
            <form
                onSubmit={(event) => {
                    event.preventDefault();
                    keep.mutate();
                }}
            >
                <Field label="Name" value={name} onChange={setName} placeholder={`${hostName}, tested`} focused />
                {keep.error && (
                    <div className="mt-2">
                        <Trouble message={keep.error.message} />
                    </div>
                )}
                <div className="mt-3 flex justify-end">
                    <Button
                        kind="primary"
                        type="submit"
                        disabled={name.trim() === '' || keep.isPending}
                        title={name.trim() === '' ? 'It needs a name' : undefined}
                    >
                        Keep it
                    </Button>
                </div>
            </form>
        </Popover>
    );
}
