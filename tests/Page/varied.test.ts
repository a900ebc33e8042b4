import { expect, test } from 'vitest';
import { countOf, USUAL } from '../../resources/js/survives/varied';

test('each combination is a candidate; what is not chosen stays as the output has it', () => {
    expect(countOf(USUAL)).toBe(4);
    expect(countOf({ ...USUAL, steps: [0, 1] })).toBe(8);
    expect(countOf({ ...USUAL, times: [1], codecs: ['h264', 'hevc'], depths: [8, 10], lifts: [1, 1.1, 1.2] })).toBe(12);
    expect(countOf({ ...USUAL, passes: [1], keyframes: [2] })).toBe(4);
});
