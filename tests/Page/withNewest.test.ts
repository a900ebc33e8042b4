import { expect, it } from 'vitest';
import type { DeliveryList } from '../../resources/js/api/types';
import { withNewest } from '../../resources/js/slips/withNewest';

const page = (ids: readonly number[], before: number | null) =>
    ({ deliveries: ids.map((id) => ({ id, file: `${id}` })), before }) as unknown as DeliveryList;
const ids = (pages: DeliveryList[]) => pages.map(({ deliveries }) => deliveries.map(({ id }) => id));

it('puts new deliveries on top of loaded pages, each once and without a gap', () => {
    const merged = withNewest([page([9, 8, 7], 7), page([6, 5, 4], 4)], page([11, 10, 9], 9));
    expect(ids(merged)).toEqual([
        [11, 10, 9, 8, 7],
        [6, 5, 4],
    ]);
    expect(merged.map(({ before }) => before)).toEqual([7, 4]);
    expect(ids(withNewest(merged, page([11, 10, 9], 9)))).toEqual(ids(merged));
});

it('begins again with the newest page if it replaces the only one or leaves a gap', () => {
    expect(ids(withNewest([page([2, 1], 1), page([0], null)], page([9, 8], 8)))).toEqual([[9, 8]]);
    expect(ids(withNewest([page([2, 1], null)], page([3, 2], 2)))).toEqual([[3, 2]]);
});
