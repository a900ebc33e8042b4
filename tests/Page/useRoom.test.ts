import { expect, test } from 'vitest';
import { roomOf } from '../../resources/js/viewer/useRoom';

test.each([
    [1024, 768, 128],
    [1280, 800, 128],
    [1920, 1080, 348],
    [2560, 1440, 456],
    [2560, 800, 128],
    [5120, 2880, 480],
])('a window of %i×%i leaves %i pixels for the picture', (width, height, room) => {
    expect(roomOf(width, height)).toBe(room);
});
