import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect } from 'react';
import { keys } from './keys';

/** What other windows are told: presets or hosts are not what they were. */
const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('outer-crate/library');

const touched = [keys.presets(), keys.hosts(), keys.items(), keys.sheets(), keys.quickPacks(), keys.triedOn()];

/** Reads anew what depends on presets and hosts, here and in other windows. */
export function useLibraryChanged() {
    const client = useQueryClient();
    return useCallback(() => {
        for (const queryKey of touched) {
            client.invalidateQueries({ queryKey });
        }
        channel?.postMessage('changed');
    }, [client]);
}

/** Follows what other windows change; used once. */
export function useFollowedLibrary() {
    const client = useQueryClient();
    useEffect(() => {
        const follow = () => {
            for (const queryKey of touched) {
                client.invalidateQueries({ queryKey });
            }
        };
        channel?.addEventListener('message', follow);
        return () => channel?.removeEventListener('message', follow);
    }, [client]);
}
