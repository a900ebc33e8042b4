import type { DeliveryList } from '../api/types';

/** Loaded pages with the newest deliveries on top. Rows that the newest page repeats are replaced by it. */
export function withNewest(pages: readonly DeliveryList[], newest: DeliveryList): DeliveryList[] {
    const [first, ...others] = pages;
    const repeated = new Set(newest.deliveries.map(({ id }) => id));
    // Without a common row, others may lie between the newest and the loaded ones.
    if (first === undefined || others.length === 0 || !first.deliveries.some(({ id }) => repeated.has(id))) {
        return [newest];
    }
    const older = (page: DeliveryList) => page.deliveries.filter(({ id }) => !repeated.has(id));
    return [
        { ...first, deliveries: [...newest.deliveries, ...older(first)] },
        ...others.map((page) => ({ ...page, deliveries: older(page) })),
    ];
}
