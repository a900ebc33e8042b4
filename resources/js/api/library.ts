import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect } from 'react';

/** What other windows are told: presets or hosts are not what they were. */
const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('outer-crate/library');

const touched = ['presets', 'hosts', 'item', 'sheet', 'quick', 'tried'];

/** Reads anew what depends on presets and hosts, here and in other windows. */
export function useLibraryChanged() {
    const client = useQueryClient();
    return useCallback(() => {
        for (const key of touched) {
            client.invalidateQueries({ queryKey: [key] });
        }
        channel?.postMessage('changed');
    }, [client]);
}

/** Follows what other windows change; used once. */
export function useFollowedLibrary() {
    const client = useQueryClient();
    useEffect(() => {
        const follow = () => {
            for (const key of touched) {
                client.invalidateQueries({ queryKey: [key] });
            }
        };
        channel?.addEventListener('message', follow);
        return () => channel?.removeEventListener('message', follow);
    }, [client]);
}
