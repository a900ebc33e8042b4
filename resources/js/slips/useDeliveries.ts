import { keepPreviousData, useInfiniteQuery, useQuery } from '@tanstack/react-query';
import { api } from '../api/client';
import type { DeliveryFilter } from '../api/deliveryFilter';

/** Loads deliveries page by page, newest first. */
export const useDeliveries = (filter: DeliveryFilter) =>
    useInfiniteQuery({
        queryKey: ['deliveries', filter],
        queryFn: ({ pageParam }) => api.deliveries(filter, pageParam),
        initialPageParam: undefined as number | undefined,
        getNextPageParam: (page) => page.before ?? undefined,
        // Shows files that are finished while the page is open.
        refetchInterval: 15_000,
        placeholderData: keepPreviousData,
    });

export const useDeliveryChoices = () => useQuery({ queryKey: ['deliveries', 'choices'], queryFn: api.deliveryChoices });
