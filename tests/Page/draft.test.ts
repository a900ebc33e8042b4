import { expect, test } from 'vitest';
import { at, type Json, put, rows, without } from '../../resources/js/hosts/draft';

const file: Json = {
    name: 'Sooty Lamp',
    asks: { bitrates: [{ shorterSide: 1080, kbps: 8_000 }], limits: { seconds: 60 } },
};

test('a place is read, and said anew without changing the file', () => {
    expect(at(file, ['asks', 'bitrates', 0, 'kbps'])).toBe(8_000);
    expect(at(file, ['asks', 'audio', 'codec'])).toBeUndefined();
    const next = put(file, ['asks', 'bitrates', 0, 'kbps'], 9_000);
    expect(at(next, ['asks', 'bitrates', 0])).toEqual({ shorterSide: 1080, kbps: 9_000 });
    expect(at(file, ['asks', 'bitrates', 0, 'kbps'])).toBe(8_000);
});

test('a row is added, and left out', () => {
    const more = put(file, ['asks', 'bitrates', 1], { shorterSide: 720, kbps: 5_000 }) as Json;
    expect(rows(more, ['asks', 'bitrates'])).toHaveLength(2);
    expect(without(rows(more, ['asks', 'bitrates']), 0)).toEqual([{ shorterSide: 720, kbps: 5_000 }]);
});

test('a group that says nothing any more is left out, but for the asks', () => {
    const next = put(file, ['asks', 'limits', 'seconds'], undefined);
    expect(at(next, ['asks'])).not.toHaveProperty('limits');
    expect(put({ name: 'x', asks: { fastStart: true } }, ['asks', 'fastStart'], undefined)).toEqual({
        name: 'x',
        asks: {},
    });
    expect(put({}, ['recompression', 'audio', 'codec'], 'aac')).toEqual({ recompression: { audio: { codec: 'aac' } } });
});
