import { describe, expect, it } from 'vitest';
import { numberIn } from '../../resources/js/settings/numberIn';

describe('a typed number', () => {
    it.each([
        ['0,5', 0.5],
        [' 12 ', 12],
        ['1e3', 1000],
        // The server refuses these with a reason, in place of taking them for no limit.
        ['abc', -1],
        ['12 days', -1],
        ['Infinity', -1],
    ])('%s', (text, number) => expect(numberIn(text)).toBe(number));
});
