<?php

use OuterCrate\Formats\Catalogue;
use OuterCrate\Formats\Chroma;
use OuterCrate\Formats\PixelFormat;
use OuterCrate\Formats\Video\H264;
use OuterCrate\Formats\Video\Hevc;
use OuterCrate\Formats\Video\ProRes;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\FrameRate;
use OuterCrate\Units\FrameSize;

it('finds the lowest level that holds the stream', function (object $codec, string $profile, string $size, string $rate, ?float $peak, ?string $level) {
    expect($codec->level($profile, FrameSize::parse($size), FrameRate::parse($rate), $peak === null ? null : Bitrate::megabits($peak)))->toBe($level);
})->with([
    [new H264, 'high', '1280x720', '25', 14.85, '3.1'],
    [new H264, 'main', '1280x720', '25', 14.85, '3.2'],
    [new H264, 'high', '1280x720', '60', 14, '3.2'],
    [new H264, 'high', '1920x1080', '30', 20, '4'],
    [new H264, 'high', '1920x1080', '30', 30, '4.1'],
    [new H264, 'high', '1920x1080', '59.94', 30, '4.2'],
    [new H264, 'high', '3840x2160', '30', 60, '5.1'],
    [new H264, 'high', '4096x2160', '60', 60, '5.2'],
    [new H264, 'high', '4112x2160', '60', 60, '6'],
    [new H264, 'high', '7680x4320', '60', 200, '6.1'],
    [new H264, 'high', '16384x8192', '60', null, null],
    [new Hevc, 'main', '1920x1080', '25', 10, '4'],
    [new Hevc, 'main10', '3840x2160', '60', 40, '5.1'],
    [new Hevc, 'main', '320x180', '25', null, '2'],
]);

it('scales the mezzanine rate from the stated target', function (string $profile, string $size, string $rate, int $kilobits) {
    expect((new ProRes)->ownRate($profile, FrameSize::parse($size), FrameRate::parse($rate))->inKilobits())->toBe($kilobits);
})->with([['hq', '1920x1080', '29.97', 220_000], ['hq', '1920x1080', '25', 183_517], ['hq', '1280x720', '25', 80_963], ['proxy', '1920x1080', '29.97', 45_000]]);

it('reads and writes the engine’s pixel format names', function (string $name, Chroma $chroma, int $depth, bool $alpha) {
    $format = PixelFormat::fromEngine($name);
    expect($format)->toEqual(new PixelFormat($chroma, $depth, $alpha))->and($format->engineName())->toBe($name);
})->with([['yuv420p', Chroma::C420, 8, false], ['yuv422p10le', Chroma::C422, 10, false], ['yuva444p10le', Chroma::C444, 10, true], ['gbrp12le', Chroma::Rgb, 12, false]]);

it('names a standard for everything it can make, and carries each codec in some container', function () {
    $catalogue = new Catalogue;
    foreach ([...$catalogue->videoCodecs(), ...$catalogue->audioCodecs(), ...$catalogue->containers()] as $item) {
        expect($item->standard())->not->toBe('');
    }
    $carried = array_merge(...array_map(fn ($container) => $container->videoCodecs(), array_values($catalogue->containers())));
    expect(array_diff(array_keys($catalogue->videoCodecs()), $carried))->toBe([]);
});

it('stores a picture without loss as it came', function (string $name) {
    $codec = (new Catalogue)->video('ffv1');
    expect($codec->pixelFormat(null, PixelFormat::fromEngine($name))->engineName())->toBe($name);
})->with(['yuv420p', 'yuv422p10le', 'yuv444p12le', 'yuva444p10le', 'gbrp10le']);
