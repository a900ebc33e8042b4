import { expect, test } from 'vitest';
import { worstFrames } from '../../resources/js/compare/worst';

test('the worst frames are told once each, the worst first', () => {
    const curve = Array.from(
        { length: 100 },
        (_, at) => 30 - (at === 50 ? 9 : 0) - (at === 51 ? 8 : 0) - (at === 80 ? 5 : 0),
    );
    expect(worstFrames(curve, 2)).toEqual([50, 80]);
    expect(worstFrames([20, 21, 22], 5)).toEqual([0]);
    expect(worstFrames(null, 5)).toEqual([]);
});
