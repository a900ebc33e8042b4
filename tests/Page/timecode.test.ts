// @vitest-environment node
import { describe, expect, test } from 'vitest';
import { type Clock, framesPerSecond, timecode, typedFrame } from '../../resources/js/viewer/timecode';

// The page's own timecode, for what moves too fast to ask: as core/Units/Timecode.php has it (SMPTE ST 12-1).
const clocks: Record<string, Clock> = {
    '25': { start: 0, perSecond: 25, dropFrame: false },
    '29.97 drop-frame': { start: 0, perSecond: 30, dropFrame: true },
    '59.94 drop-frame': { start: 0, perSecond: 60, dropFrame: true },
    'an hour on': { start: 90_000, perSecond: 25, dropFrame: false },
};
const drop = clocks['29.97 drop-frame'] as Clock;

describe('timecode', () => {
    test.each([
        [0, '25', '00:00:00:00'],
        [1799, '29.97 drop-frame', '00:00:59;29'],
        [1800, '29.97 drop-frame', '00:01:00;02'],
        [17_981, '29.97 drop-frame', '00:09:59;29'],
        [17_982, '29.97 drop-frame', '00:10:00;00'],
        [107_892, '29.97 drop-frame', '01:00:00;00'],
        [3600, '59.94 drop-frame', '00:01:00;04'],
        [24, 'an hour on', '01:00:00:24'],
    ])('of frame %i at %s', (frame, clock, expected) => {
        expect(timecode(frame, clocks[clock] as Clock)).toBe(expected);
    });

    test.each(Object.keys(clocks))('takes back every number that it gave, at %s', (name) => {
        const clock = clocks[name] as Clock;
        for (let frame = 0; frame < 60_000; frame += 7) {
            expect(typedFrame(timecode(frame, clock), clock)).toBe(frame);
        }
    });

    test.each([
        ['2;05', 65],
        [' 1:00;02 ', 1800],
        ['412', 412],
        ['', null],
        ['soon', null],
        ['1:00;00', null],
        ['0:61;00', null],
        ['0:00;30', null],
        ['1:2:3:4:5', null],
        ['1::2', null],
    ])('takes what is typed short, and refuses what is no frame: %j', (typed, frame) => {
        expect(typedFrame(typed, drop)).toBe(frame);
    });

    test('reads an exact frame rate', () => {
        expect(framesPerSecond('30000/1001').toFixed(3)).toBe('29.970');
    });
});
