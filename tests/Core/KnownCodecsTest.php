<?php

use OuterCrate\Formats\KnownCodecs;
use OuterCrate\Formats\Video\VideoFacts;
use OuterCrate\Reading\CodecNames;

it('names codecs that are only read, and knows how fast they decode', function () {
    expect(CodecNames::codec('v210'))->toBe('uncompressed 10-bit')
        ->and(KnownCodecs::facts('v210')->decodedPixels)->toBeGreaterThan(KnownCodecs::facts('h264')->decodedPixels)
        ->and(KnownCodecs::facts('mpeg4')->isForDelivery)->toBeTrue()
        ->and(KnownCodecs::facts('prores')->isForDelivery)->toBeFalse()
        ->and(CodecNames::codec('made-up'))->toBe('MADE-UP')
        ->and(KnownCodecs::facts('made-up'))->toEqual(new VideoFacts);
});

it('labels levels', function (string $codec, ?int $level, ?string $label) {
    expect(CodecNames::level($codec, $level))->toBe($label);
})->with([
    ['h264', 40, '4.0 (40)'], ['h264', 9, '0.9 (9)'], ['hevc', 123, '4.1 (123)'], ['hevc', 93, '3.1 (93)'], ['mpeg2video', 8, 'Main (8)'],
    ['mpeg2video', 7, 'level (7)'], ['av1', 13, '5.1 (13)'], ['vp9', 3, '3'], ['vp8', 3, '3'], ['made-up', 3, '3'], ['h264', null, null],
]);
