import { useState } from 'react';
import { api } from '../api/client';
import type { Dispatch, DispatchList } from '../api/types';
import { Button } from '../ui/Button';
import { Field } from '../ui/Field';
import { Popover } from '../ui/Popover';
import type { useDispatchAction } from './useDispatches';

interface Props {
    dispatch: Dispatch;
    templates: DispatchList['templates'];
    act: ReturnType<typeof useDispatchAction>;
    /** What was typed and not kept gives way. */
    filled: () => void;
}

/** What a series says of each of its videos: filled in from there, or kept for the next ones. */
export function Series({ dispatch, templates, act, filled }: Props) {
    const [open, setOpen] = useState(false);
    const [name, setName] = useState('');
    const own = templates.filter(({ host }) => host === dispatch.account.host);
    return (
        <div className="ml-auto flex items-center gap-2">
            {own.length > 0 && (
                <select
                    aria-label="Fill from a series"
                    value=""
                    onChange={(event) =>
                        act.mutate(() => api.fill(dispatch.id, Number(event.target.value)), { onSuccess: filled })
                    }
                    className="h-7 rounded border border-line bg-page px-1.5"
                >
                    <option value="">Fill from …</option>
                    {own.map((one) => (
                        <option key={one.id} value={one.id}>
                            {one.name}
                        </option>
                    ))}
                </select>
            )}
            <Popover
                open={open}
                onOpenChange={setOpen}
                label="Keep for a series"
                align="end"
                anchor={
                    <Button kind="quiet" aria-expanded={open} onClick={() => setOpen(true)}>
                        Keep for a series
                    </Button>
                }
            >
                <form
                    onSubmit={(event) => {
                        event.preventDefault();
                        act.mutate(() => api.keepTemplate(dispatch.id, name), { onSuccess: () => setOpen(false) });
                    }}
                >
                    <Field label="Name of the series" value={name} onChange={setName} focused />
                    <p className="mt-2 mb-3 text-[12px] leading-4 text-soft">
                        Title and description may hold {'{cut}'} {'{date}'} {'{number}'} {'{host}'}: each video fills
                        them. What only you can answer is asked each time.
                    </p>
                    <Button type="submit" kind="primary" disabled={name.trim() === '' || act.isPending}>
                        Keep
                    </Button>
                </form>
            </Popover>
        </div>
    );
}
