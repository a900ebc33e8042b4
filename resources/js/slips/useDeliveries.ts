import { type InfiniteData, keepPreviousData, useInfiniteQuery, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { api } from '../api/client';
import type { DeliveryFilter } from '../api/deliveryFilter';
import { keys } from '../api/keys';
import type { DeliveryList } from '../api/types';
import { withNewest } from './withNewest';

/** Loads deliveries page by page, newest first. Every 15 seconds it asks for the newest ones, not for all loaded pages. */
export function useDeliveries(filter: DeliveryFilter) {
    const client = useQueryClient();
    const list = useInfiniteQuery({
        queryKey: keys.deliveries(filter),
        queryFn: ({ pageParam }) => api.deliveries(filter, pageParam),
        initialPageParam: undefined as number | undefined,
        getNextPageParam: (page) => page.before ?? undefined,
        placeholderData: keepPreviousData,
    });
    const newest = useQuery({
        queryKey: keys.newestDeliveries(filter),
        queryFn: () => api.deliveries(filter),
        refetchInterval: 15_000,
        enabled: list.isSuccess && !list.isPlaceholderData,
    }).data;
    useEffect(() => {
        if (newest !== undefined) {
            client.setQueryData<InfiniteData<DeliveryList>>(
                keys.deliveries(filter),
                (loaded) => loaded && { ...loaded, pages: withNewest(loaded.pages, newest) },
            );
        }
    }, [newest, client, filter]);
    return list;
}

export const useDeliveryChoices = () => useQuery({ queryKey: keys.deliveryChoices(), queryFn: api.deliveryChoices });
