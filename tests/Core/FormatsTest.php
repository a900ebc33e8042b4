<?php

use OuterCrate\Formats\Audio\Mp3;
use OuterCrate\Formats\Catalogue;
use OuterCrate\Formats\Picture\Chroma;
use OuterCrate\Formats\Picture\PixelFormat;
use OuterCrate\Formats\Video\Av1;
use OuterCrate\Formats\Video\H264;
use OuterCrate\Formats\Video\Hevc;
use OuterCrate\Formats\Video\LevelNeeds;
use OuterCrate\Formats\Video\Mpeg2;
use OuterCrate\Formats\Video\ProRes;
use OuterCrate\Formats\Video\Vc3;
use OuterCrate\Formats\Video\Vc5;
use OuterCrate\Formats\Video\Vp9;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\Fraction;
use OuterCrate\Units\FrameRate;
use OuterCrate\Units\FrameSize;

it('finds the lowest level that holds the stream', function (
    object $codec,
    string $profile,
    string $size,
    string $rate,
    ?float $peak,
    ?string $level,
) {
    expect(
        $codec->level(
            $profile,
            new LevelNeeds(FrameSize::parse($size), FrameRate::parse($rate), $peak === null ? null : Bitrate::megabits($peak)),
        ),
    )->toBe($level);
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

it('has every limit of every level as its standard states it', function (
    object $codec,
    string $profile,
    string $level,
    string $largest,
    int $perSecond,
    int $kilobits,
    bool $inBlocks = false,
) {
    $size = FrameSize::parse($largest);
    $units = $inBlocks ? $size->macroblocks() : $size->pixels();
    $bits = 1000 * $kilobits;
    // Small enough not to reach another limit.
    $small = new FrameSize(64, 64);
    $slow = FrameRate::parse('1/100');
    $breaks = fn (FrameSize $size, FrameRate $rate, int $bits): bool => $codec->exceeds(
        $level,
        $profile,
        new LevelNeeds($size, $rate, new Bitrate($bits)),
    ) !== null;
    expect([$breaks($size, $slow, 1), $breaks($small, $slow, $bits), $breaks($size, new FrameRate(new Fraction($perSecond, $units)), 1)])
        ->toBe([false, false, false])
        ->and([
            $breaks(new FrameSize($size->width, $size->height + 1), $slow, 1),
            $breaks($small, $slow, $bits + 1),
            $breaks($size, new FrameRate(new Fraction($perSecond + 1, $units)), 1),
        ])
        ->toBe([true, true, true]);
})->with(function () {
    // ITU-T H.264, table A-1: a frame of as many macroblocks as MaxFS, MaxMBPS, MaxBR.
    foreach (
        [
            ['1', '176×144', 1_485, 64],
            ['1.1', '352×288', 3_000, 192],
            ['1.2', '352×288', 6_000, 384],
            ['1.3', '352×288', 11_880, 768],
            ['2', '352×288', 11_880, 2_000],
            ['2.1', '352×576', 19_800, 4_000],
            ['2.2', '720×576', 20_250, 4_000],
            ['3', '720×576', 40_500, 10_000],
            ['3.1', '1280×720', 108_000, 14_000],
            ['3.2', '1280×1024', 216_000, 20_000],
            ['4', '2048×1024', 245_760, 20_000],
            ['4.1', '2048×1024', 245_760, 50_000],
            ['4.2', '2176×1024', 522_240, 50_000],
            ['5', '2944×1920', 589_824, 135_000],
            ['5.1', '4096×2304', 983_040, 240_000],
            ['5.2', '4096×2304', 2_073_600, 240_000],
            ['6', '8192×4352', 4_177_920, 240_000],
            ['6.1', '8192×4352', 8_355_840, 480_000],
            ['6.2', '8192×4352', 16_711_680, 800_000],
        ] as [$level, $size, $perSecond, $kilobits]
    ) {
        yield "H.264 Main {$level}" => [new H264, 'main', $level, $size, $perSecond, $kilobits, true];
        // Table A-2: factors of the profiles.
        foreach (['high' => 1.25, 'high10' => 3, 'high422' => 4] as $profile => $factor) {
            yield "H.264 {$profile} {$level}" => [new H264, $profile, $level, $size, $perSecond, (int) ($kilobits * $factor), true];
        }
    }
    // ITU-T H.265, tables A.8 and A.9: MaxLumaPs as a frame, MaxLumaSr, MaxBR of the tiers.
    foreach (
        [
            ['1', '256×144', 552_960, 128],
            ['2', '384×320', 3_686_400, 1_500],
            ['2.1', '512×480', 7_372_800, 3_000],
            ['3', '960×576', 16_588_800, 6_000],
            ['3.1', '1280×768', 33_177_600, 10_000],
            ['4', '2048×1088', 66_846_720, 12_000, 30_000],
            ['4.1', '2048×1088', 133_693_440, 20_000, 50_000],
            ['5', '4096×2176', 267_386_880, 25_000, 100_000],
            ['5.1', '4096×2176', 534_773_760, 40_000, 160_000],
            ['5.2', '4096×2176', 1_069_547_520, 60_000, 240_000],
            ['6', '8192×4352', 1_069_547_520, 60_000, 240_000],
            ['6.1', '8192×4352', 2_139_095_040, 120_000, 480_000],
            ['6.2', '8192×4352', 4_278_190_080, 240_000, 800_000],
        ] as $row
    ) {
        yield "HEVC {$row[0]}" => [new Hevc, 'main10', $row[0], $row[1], $row[2], $row[3]];
        if (isset($row[4])) {
            yield "HEVC {$row[0]} high tier" => [new Hevc, 'main', "{$row[0]} high tier", $row[1], $row[2], $row[4]];
        }
    }
    // VP9, annex A.2.
    foreach (
        [
            ['1', '256×144', 829_440, 200],
            ['1.1', '384×192', 2_764_800, 800],
            ['2', '384×320', 4_608_000, 1_800],
            ['2.1', '512×480', 9_216_000, 3_600],
            ['3', '960×576', 20_736_000, 7_200],
            ['3.1', '1280×768', 36_864_000, 12_000],
            ['4', '2048×1088', 83_558_400, 18_000],
            ['4.1', '2048×1088', 160_432_128, 30_000],
            ['5', '4096×2176', 311_951_360, 60_000],
            ['5.1', '4096×2176', 588_251_136, 120_000],
            ['5.2', '4096×2176', 1_176_502_272, 180_000],
            ['6', '8192×4352', 1_176_502_272, 180_000],
            ['6.1', '8192×4352', 2_353_004_544, 240_000],
            ['6.2', '8192×4352', 4_706_009_088, 480_000],
        ] as [$level, $size, $perSecond, $kilobits]
    ) {
        yield "VP9 {$level}" => [new Vp9, 'p0', $level, $size, $perSecond, $kilobits];
    }
    // AV1, annex A.3: MaxPicSize as a frame, MaxDisplayRate, MainMbps.
    foreach (
        [
            ['2.0', '512×288', 4_423_680, 1_500],
            ['2.1', '704×396', 8_363_520, 3_000],
            ['3.0', '1088×612', 19_975_680, 6_000],
            ['3.1', '1376×774', 31_950_720, 10_000],
            ['4.0', '2048×1152', 70_778_880, 12_000],
            ['4.1', '2048×1152', 141_557_760, 20_000],
            ['5.0', '4096×2176', 267_386_880, 30_000],
            ['5.1', '4096×2176', 534_773_760, 40_000],
            ['5.2', '4096×2176', 1_069_547_520, 60_000],
            ['6.0', '8192×4352', 1_069_547_520, 60_000],
            ['6.1', '8192×4352', 2_139_095_040, 100_000],
            ['6.2', '8192×4352', 4_278_190_080, 160_000],
        ] as [$level, $size, $perSecond, $kilobits]
    ) {
        yield "AV1 {$level}" => [new Av1, 'main', $level, $size, $perSecond, $kilobits];
    }
});

it('keeps as many frames as the decoded picture buffer of a level holds', function (string $level, string $size, int $kept) {
    $needs = fn (int $references): LevelNeeds => new LevelNeeds(FrameSize::parse($size), FrameRate::parse('1'), null, $references);
    expect((new H264)->exceeds($level, 'high', $needs($kept)))
        ->toBeNull()
        ->and((new H264)->exceeds($level, 'high', $needs($kept + 1)))
        ->toContain("over the {$kept}");
    // MaxDpbMbs of table A-1 over the macroblocks of a frame, 16 at most (A.3.1 h).
})->with([
    ['1', '176×144', 4],
    ['1.1', '352×288', 2],
    ['1.2', '352×288', 6],
    ['1.3', '352×288', 6],
    ['2', '352×288', 6],
    ['2.1', '352×576', 6],
    ['2.2', '720×576', 5],
    ['3', '720×576', 5],
    ['3.1', '1280×720', 5],
    ['3.2', '1280×1024', 4],
    ['4', '1920×1080', 4],
    ['4.1', '1280×720', 9],
    ['4.2', '1920×1080', 4],
    ['5', '1920×1080', 13],
    ['5', '2560×1920', 5],
    ['5.1', '3840×2160', 5],
    ['5.2', '4096×2304', 5],
    ['6', '7680×4320', 5],
    ['6.2', '1280×720', 16],
]);

it('says which limit of a fixed level a stream breaks', function (
    object $codec,
    string $level,
    ?string $profile,
    LevelNeeds $needs,
    ?string $says,
) {
    $reason = $codec->exceeds($level, $profile, $needs);
    $says === null ? expect($reason)->toBeNull() : expect(strtr((string) $reason, ["\u{2009}" => ' ']))->toContain($says);
})->with(function () {
    $needs = fn (string $size, string $rate = '25', ?float $peak = null, int $references = 0): LevelNeeds => new LevelNeeds(
        FrameSize::parse($size),
        FrameRate::parse($rate),
        $peak === null ? null : Bitrate::megabits($peak),
        $references,
    );

    return [
        [new H264, '4.1', 'high', $needs('1920×1080', '30', 50, 4), null],
        [new H264, '4.1', 'high', $needs('1920×1080', '60'), '245760 macroblocks in a second'],
        [new H264, '4.1', 'high', $needs('3840×2160'), '8192 macroblocks in a frame'],
        [new H264, '4.1', 'high', $needs('1920×1080', '25', 70), 'a peak of 70 Mb/s over 62.5 Mb/s'],
        [new H264, '4.1', 'high', $needs('1920×1080', '25', 50, 6), '6 reference frames over the 4'],
        [new H264, '3', 'main', $needs('720×576', '25', 10), null],
        [new H264, '4', 'high', $needs('256×8192'), 'macroblocks in a frame'],
        [new Hevc, '5', 'main10', $needs('3840×2160', '30', 60), 'a peak of 60 Mb/s over 25 Mb/s'],
        [new Hevc, '5 high tier', 'main10', $needs('3840×2160', '30', 60), null],
        [new Hevc, '4.1', 'main', $needs('1920×1080', '120'), 'pixels in a second'],
        [new Vp9, '4', 'p0', $needs('1920×1080', '60'), 'pixels in a second'],
        [new Vp9, '3.1', 'p0', $needs('2800×300'), 'a side of 2800'],
        [new Av1, '4.0', 'main', $needs('1920×1080', '30', 12), null],
        [new Av1, '4.0', 'main', $needs('600×3460'), 'over 6144×3456'],
        [new Mpeg2, 'Main', 'main', $needs('720×576', '25', 15), null],
        [new Mpeg2, 'Main', 'main', $needs('720×480', '29.97', 16), 'over 15 Mb/s'],
        [new Mpeg2, 'Main', 'main', $needs('720×576', '50'), '50 fps over 30'],
        [new Mpeg2, 'Main', 'p422', $needs('720×576', '25', 50), null],
        [new Mpeg2, 'Low', 'p422', $needs('352×288', '25', 2), 'does not have'],
    ];
});

it('finds a level for what the other codecs make', function (object $codec, string $size, string $rate, ?float $peak, ?string $level) {
    expect(
        $codec->level(
            array_key_first($codec->profiles()),
            new LevelNeeds(FrameSize::parse($size), FrameRate::parse($rate), $peak === null ? null : Bitrate::megabits($peak)),
        ),
    )->toBe($level);
})->with([
    [new Vp9, '1920×1080', '25', 15, '4'],
    [new Vp9, '1920×1080', '60', 25, '4.1'],
    [new Vp9, '3840×2160', '60', 100, '5.1'],
    [new Vp9, '320×180', '25', null, '1.1'],
    [new Av1, '1920×1080', '30', 10, '4.0'],
    [new Av1, '3840×2160', '60', 40, '5.1'],
    [new Av1, '20000×9000', '25', null, null],
    [new Mpeg2, '720×576', '25', 9, 'Main'],
    [new Mpeg2, '1920×1080', '25', 25, 'High'],
    [new Mpeg2, '1280×720', '25', 9, 'High 1440'],
    [new Mpeg2, '3840×2160', '25', 50, null],
    [new Hevc, '5760×2880', '30', 90, '6.1'],
    [new Hevc, '7680×4320', '120', 700, '6.2 high tier'],
]);

it('states the rate of VC-3 as its standard does', function (string $profile, string $size, string $rate, float $megabits) {
    expect(round((new Vc3)->ownRate($profile, FrameSize::parse($size), FrameRate::parse($rate))->bitsPerSecond / 1e6, 1))->toBe(
        $megabits,
    );
})->with([
    ['hr-lb', '1920×1080', '25', 37.7],
    ['hr-sq', '1920×1080', '25', 121.2],
    ['hr-hq', '1920×1080', '25', 183.5],
    ['hr-hqx', '1920×1080', '25', 183.5],
    ['hr-444', '1920×1080', '25', 367.0],
    ['hr-hqx', '3840×2160', '25', 728.3],
    ['hd-sq', '1920×1080', '29.97', 145.3],
    ['hd-hq', '1920×1080', '25', 183.5],
    ['hd-sq', '1280×720', '50', 121.2],
    ['hd-lb', '1920×1080', '23.976', 36.1],
]);

it('says why a codec cannot carry a frame', function (object $codec, ?string $profile, string $size, string $rate, ?string $says) {
    $reason = $codec->refuses($profile, FrameSize::parse($size), FrameRate::parse($rate));
    $says === null ? expect($reason)->toBeNull() : expect($reason)->toContain($says);
})->with([
    [new Mpeg2, 'main', '720×576', '25', null],
    [new Mpeg2, 'main', '720×576', '15', 'no frame rate of 15'],
    [new Vc5, null, '1920×1080', '25', null],
    [new Vc5, null, '854×480', '25', '16 divides, which 854'],
    [new Vc5, null, '240×176', '25', null],
    [new Vc5, null, '240×180', '25', 'lines that 16 divides, not 180'],
    [new Vc5, null, '352×182', '25', 'lines that 8 divides, not 182'],
    [new Vc3, 'hd-sq', '1920×1080', '25', null],
    [new Vc3, 'hd-sq', '1920×804', '25', 'not of 1920×804'],
    [new Vc3, 'hr-sq', '128×72', '25', '256×120'],
]);

it('offers sound at the rates that a codec has', function (string $codec, int $asked, int $channels, int $got) {
    expect((new Catalogue)->audio($codec)->bitsPerSecond($asked, 48_000, $channels, 16))->toBe($got);
})->with([
    ['mp3', 300_000, 2, 320_000],
    ['mp3', 1_000, 2, 32_000],
    ['ac3', 450_000, 6, 448_000],
    ['opus', 900_000, 2, 512_000],
    ['pcm', 0, 2, 1_536_000],
]);

it('scales the mezzanine rate from the stated target', function (string $profile, string $size, string $rate, int $kilobits) {
    expect((new ProRes)->ownRate($profile, FrameSize::parse($size), FrameRate::parse($rate))->inKilobits())->toBe($kilobits);
})->with([
    ['hq', '1920x1080', '29.97', 220_000],
    ['hq', '1920x1080', '25', 183_517],
    ['hq', '1280x720', '25', 80_963],
    ['proxy', '1920x1080', '29.97', 45_000],
]);

it('reads and writes the engine’s pixel format names', function (string $name, Chroma $chroma, int $depth, bool $alpha) {
    $format = PixelFormat::fromEngine($name);
    expect($format)->toEqual(new PixelFormat($chroma, $depth, $alpha))->and($format->engineName())->toBe($name);
})->with([
    ['yuv420p', Chroma::C420, 8, false],
    ['yuv422p10le', Chroma::C422, 10, false],
    ['yuva444p10le', Chroma::C444, 10, true],
    ['gbrp12le', Chroma::Rgb, 12, false],
]);

it('carries each codec in some container', function () {
    $catalogue = new Catalogue;
    $carried = array_merge(...array_map(fn ($container) => $container->videoCodecs(), array_values($catalogue->containers())));
    expect(array_diff(array_keys($catalogue->videoCodecs()), $carried))->toBe([]);
});

it('stores a picture without loss as it came', function (string $name) {
    $codec = (new Catalogue)->video('ffv1');
    expect($codec->pixelFormat(null, PixelFormat::fromEngine($name))->engineName())->toBe($name);
})->with(['yuv420p', 'yuv422p10le', 'yuv444p12le', 'yuva444p10le', 'gbrp10le']);

it('has the rates that MPEG audio states, and no others', function (int $sampleRate, array $stated) {
    $given = array_map(fn (int $asked): int => intdiv(
        (new Mp3)->bitsPerSecond(1_000 * $asked, $sampleRate, 2, 16),
        1_000,
    ), range(1, 400));
    expect(array_values(array_unique($given)))
        ->toBe($stated)
        ->and(
            array_filter(
                array_keys($given),
                fn (int $i): bool => min(array_map(fn (int $rate): int => abs($rate - $i - 1), $stated)) !== abs($given[$i] - $i - 1),
            ),
        )
        ->toBe([]);
})->with([
    // ISO/IEC 11172-3, 2.4.2.3 and 13818-3, 2.4.2.3: layer 3.
    [48_000, [32, 40, 48, 56, 64, 80, 96, 112, 128, 160, 192, 224, 256, 320]],
    [44_100, [32, 40, 48, 56, 64, 80, 96, 112, 128, 160, 192, 224, 256, 320]],
    [24_000, [8, 16, 24, 32, 40, 48, 56, 64, 80, 96, 112, 128, 144, 160]],
    [16_000, [8, 16, 24, 32, 40, 48, 56, 64, 80, 96, 112, 128, 144, 160]],
]);
