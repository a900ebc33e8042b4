import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { api, type Kind } from '../api/client';
import { useLibraryChanged } from '../api/library';
import { Button } from '../ui/Button';
import { Popover } from '../ui/Popover';
import { Trouble } from '../ui/States';

interface Props {
    kind: Kind;
    items: { slug: string; name: string; removedAt: string }[];
}

/** What was taken away, to be taken back. */
export function Removed({ kind, items }: Props) {
    const [open, setOpen] = useState(false);
    const changed = useLibraryChanged();
    const navigate = useNavigate();
    const restore = useMutation({
        mutationFn: (slug: string) => api.takeBack(kind, slug),
        onSuccess: (item) => {
            changed();
            setOpen(false);
            navigate(`/${kind}s/${item.slug}`);
        },
    });
    if (items.length === 0) {
        return null;
    }
    return (
        <Popover
            open={open}
            onOpenChange={setOpen}
            label="What was taken away"
            width={360}
            align="end"
            anchor={<Button onClick={() => setOpen(true)}>{items.length} taken away</Button>}
        >
            <ul className="flex flex-col gap-1">
                {items.map((item) => (
                    <li key={item.slug} className="flex items-center gap-3">
                        <span className="min-w-0 flex-1 truncate" title={item.name}>
                            {item.name}
                        </span>
                        <Button
                            className="h-6"
                            onClick={() => restore.mutate(item.slug)}
                            aria-label={`Take ${item.name} back`}
                        >
                            Take back
                        </Button>
                    </li>
                ))}
            </ul>
            {restore.error && <Trouble message={restore.error.message} />}
        </Popover>
    );
}
