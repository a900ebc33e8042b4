import { expect, test } from 'vitest';
import { readRate, writeRate } from '../../resources/js/ui/rate';

test.each([
    ['8', 8_000, null],
    ['8.5', 8_500, null],
    ['8,5', 8_500, null],
    ['8000k', 8_000, null],
    ['8000 kb/s', 8_000, null],
    ['8,000 kbps', 8_000, null],
    ['1.200 kbit/s', 1_200, null],
    ['8 Mb/s', 8_000, null],
    ['8Mbps', 8_000, null],
    ['0.125', 125, null],
    ['1.5 Gb/s', 1_500_000, null],
    ['35–45', 35_000, 45_000],
    ['35-45 Mbps', 35_000, 45_000],
    ['53 to 68 Mb/s', 53_000, 68_000],
    ['800k – 1,2M', 800, 1_200],
    ['9–9', 9_000, null],
])('“%s” is read as %i kb/s', (text, kbps, to) => {
    expect(readRate(text)).toEqual({ kbps, to });
});

test.each(['', 'x', '8 apples', '–5', '0', 'k', '1..2'])('“%s” is no rate', (text) => {
    expect(readRate(text)).toBeNull();
});

test('a figure without a unit is of the unit that the field names', () => {
    expect(readRate('320', 1)).toEqual({ kbps: 320, to: null });
    expect(readRate('8 Mb/s', 1)).toEqual({ kbps: 8_000, to: null });
});

test('what is written is read the same', () => {
    for (const [kbps, to] of [
        [8_500, null],
        [35_000, 45_000],
        [450, null],
    ] as const) {
        expect(readRate(writeRate(kbps, to))).toEqual({ kbps, to });
    }
});
