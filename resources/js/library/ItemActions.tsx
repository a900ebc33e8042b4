import { useMutation } from '@tanstack/react-query';
import { Star } from 'lucide-react';
import type { ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { api, exportOf } from '../api/client';
import { useLibraryChanged } from '../api/library';
import type { LibraryItem } from '../api/types';
import { Button } from '../ui/Button';

/** What can be done with a preset or a host as a whole. */
export function useItemActions({ kind, slug, favourite }: LibraryItem) {
    const changed = useLibraryChanged();
    const navigate = useNavigate();
    const mark = useMutation({ mutationFn: () => api.favourite(kind, slug, !favourite), onSuccess: changed });
    const remove = useMutation({
        mutationFn: () => api.takeAway(kind, slug),
        onSuccess: () => {
            changed();
            navigate(`/${kind}s`, { replace: true });
        },
    });
    const copy = useMutation({
        mutationFn: () => (kind === 'host' ? api.createHost({ copyOf: slug }) : api.createPreset({ copyOf: slug })),
        onSuccess: (made) => {
            changed();
            navigate(`/${kind}s/${made.slug}`);
        },
    });
    return { mark, remove, copy, trouble: mark.error ?? remove.error ?? copy.error };
}

interface Props {
    item: LibraryItem;
    actions: ReturnType<typeof useItemActions>;
    /** Between marking and copying. */
    children?: ReactNode;
    /** Before taking away. */
    change?: ReactNode;
}

export function ItemActions({ item, actions, children, change }: Props) {
    const mark = item.favourite ? 'Take the mark off' : 'Mark it: it comes first in lists';
    return (
        <div className="flex flex-none gap-1.5">
            <Button aria-pressed={item.favourite} aria-label={mark} title={mark} onClick={() => actions.mark.mutate()}>
                <Star size={14} className={item.favourite ? 'fill-current' : ''} />
            </Button>
            {children}
            <Button
                kind={item.shipped ? 'primary' : 'plain'}
                title="One of your own that begins as this one"
                onClick={() => actions.copy.mutate()}
            >
                {item.shipped ? 'Copy to change it' : 'Copy'}
            </Button>
            <a
                href={exportOf(item.kind, [item.slug])}
                download
                className="inline-flex h-7 items-center rounded border border-line bg-surface px-3 hover:border-rule"
            >
                Export
            </a>
            {change}
            {!item.shipped && (
                <Button title="It can be taken back" onClick={() => actions.remove.mutate()}>
                    Take away
                </Button>
            )}
        </div>
    );
}
