// The page's own timecode, for what moves too fast to ask: as core/Units/Timecode.php has it.
import assert from 'node:assert/strict';
import { before, test } from 'node:test';
import { load } from './page.mjs';

let page;
before(async () => {
    page = await load('viewer/timecode.ts');
});

const clocks = {
    25: { start: 0, perSecond: 25, dropFrame: false },
    '29.97 drop-frame': { start: 0, perSecond: 30, dropFrame: true },
    '59.94 drop-frame': { start: 0, perSecond: 60, dropFrame: true },
    'an hour on': { start: 90_000, perSecond: 25, dropFrame: false },
};

test('numbers frames as SMPTE ST 12-1 does', () => {
    for (const [frame, clock, expected] of [
        [0, '25', '00:00:00:00'],
        [1799, '29.97 drop-frame', '00:00:59;29'],
        [1800, '29.97 drop-frame', '00:01:00;02'],
        [17_981, '29.97 drop-frame', '00:09:59;29'],
        [17_982, '29.97 drop-frame', '00:10:00;00'],
        [107_892, '29.97 drop-frame', '01:00:00;00'],
        [3600, '59.94 drop-frame', '00:01:00;04'],
        [24, 'an hour on', '01:00:00:24'],
    ]) {
        assert.equal(page.timecode(frame, clocks[clock]), expected);
    }
});

test('takes back every number that it gave', () => {
    for (const clock of Object.values(clocks)) {
        for (let frame = 0; frame < 60_000; frame += 7) {
            assert.equal(page.typedFrame(page.timecode(frame, clock), clock), frame);
        }
    }
});

test('takes what is typed short, and refuses what is no frame', () => {
    const clock = clocks['29.97 drop-frame'];
    assert.equal(page.typedFrame('2;05', clock), 65);
    assert.equal(page.typedFrame(' 1:00;02 ', clock), 1800);
    assert.equal(page.typedFrame('412', clock), 412);
    for (const typed of ['', 'soon', '1:00;00', '0:61;00', '0:00;30', '1:2:3:4:5', '1::2']) {
        assert.equal(page.typedFrame(typed, clock), null, typed);
    }
    assert.equal(page.framesPerSecond('30000/1001').toFixed(3), '29.970');
});
