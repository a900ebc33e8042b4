import { keepPreviousData, useInfiniteQuery, useQuery } from '@tanstack/react-query';
import { api } from '../api/client';
import type { Sought } from '../api/sought';

/** The files that were made, the latest first, as many pages of them as were asked for. */
export const useDeliveries = (sought: Sought) =>
    useInfiniteQuery({
        queryKey: ['deliveries', sought],
        queryFn: ({ pageParam }) => api.deliveries(sought, pageParam),
        initialPageParam: undefined as number | undefined,
        getNextPageParam: (page) => page.before ?? undefined,
        // What is being made meanwhile comes on top.
        refetchInterval: 15_000,
        placeholderData: keepPreviousData,
    });

export const useDeliveryChoices = () => useQuery({ queryKey: ['deliveries', 'choices'], queryFn: api.deliveryChoices });
