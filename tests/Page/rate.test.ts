import { expect, test } from 'vitest';
import { readRate, writeRate } from '../../resources/js/ui/rate';
import cases from '../Support/rates.json';

// The same table binds the reader of pasted tables in core: what a person types is read as what they paste.
test.each(cases as [string, number, number, number | null][])(
    '“%s”, where a bare figure is of %i kb/s',
    (text, unit, kbps, to) => {
        expect(readRate(text, unit)).toEqual({ kbps, to });
    },
);

test.each(['', 'x', '8 apples', '–5', '0', 'k', '1..2'])('“%s” is no rate', (text) => {
    expect(readRate(text)).toBeNull();
});

test('what is written is read the same', () => {
    for (const [kbps, to] of [
        [8_500, null],
        [35_000, 45_000],
        [1_125, null],
        [450, null],
    ] as const) {
        expect(readRate(writeRate(kbps, to))).toEqual({ kbps, to });
    }
});
