<?php

use OuterCrate\Formats\Catalogue;
use OuterCrate\Hosts\Asks\RateRange;
use OuterCrate\Hosts\HostFile;
use OuterCrate\Hosts\Recompression\Rung;
use OuterCrate\Hosts\Recompression\Upload;
use OuterCrate\Planning\Sheet\Cells;
use OuterCrate\Presets\Preset;
use OuterCrate\Presets\Rules;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\FrameRate;
use OuterCrate\Units\FrameSize;
use Tests\Support\Desk;
use Tests\Support\Probes;

it('looks up what a host asks by size, rate and HDR', function (string $host, string $size, string $rate, bool $hdr, int $kbps) {
    expect(Desk::host($host)->asks->bitrate->average(FrameSize::parse($size), FrameRate::parse($rate), $hdr)->inKilobits())->toBe($kbps);
})->with([
    ['lanternwick', '3840x2160', '25', false, 40_000],
    ['lanternwick', '3840x2160', '50', false, 60_000],
    ['lanternwick', '3840x2160', '50', true, 75_000],
    ['lanternwick', '1920x1080', '30', false, 9_000],
    ['lanternwick', '1920x1080', '29.97', false, 9_000],
    ['lanternwick', '1080x1920', '59.94', false, 14_000],
    ['lanternwick', '854x480', '25', false, 3_000],
    'a film with its bars left out is of its width’s class' => ['lanternwick', '1920x800', '24', false, 9_000],
    'a 4:3 picture of 1080 lines' => ['lanternwick', '1440x1080', '25', false, 9_000],
    ['platen', '1920x1080', '60', false, 12_000],
    ['tallgate', '720x1280', '60', false, 12_000],
    ['orrery', '5760x2880', '30', false, 60_000],
]);

it('draws the line through two rows, on logarithmic scales of pixels and bits', function (
    string $size,
    string $rate,
    int $kbps,
    string $how,
    bool $beyond,
) {
    $asked = Desk::host('lanternwick')->asks->bitrate->asked(FrameSize::parse($size), FrameRate::parse($rate), false);
    expect([$asked->range->floor->inKilobits(), $asked->how, $asked->beyond])->toBe([$kbps, $how, $beyond]);
})->with([
    // ln(518400/409600) ÷ ln(921600/409600) = 0.2905 of the way from 3000 to 5500: 3000 × (5500/3000)^0.2905.
    'between two rows' => ['960x540', '25', 3_578, 'between 480 and 720 lines', false],
    // The same way from 4000 to 8000: 4000 × 2^0.2905.
    'of the high rates' => ['960x540', '50', 4_892, 'between 480 and 720 lines', false],
    // ln(33177600/3686400) ÷ ln(8294400/3686400) = 2.7095: 18000 × (40000/18000)^2.7095.
    'above the largest' => ['7680x4320', '25', 156_638, 'beyond its 2160 lines', true],
    // ln(57600/230400) ÷ ln(409600/230400) = −2.4094: 1200 × 2.5^−2.4094.
    'below the smallest' => ['320x180', '25', 132, 'under its 360 lines', true],
    'no less than a picture takes' => ['64x36', '25', 16, 'under its 360 lines', true],
]);

it('keeps a range as floor and ceiling, of either dynamic range, and says where in it a rate lies', function () {
    $file = Desk::hostFile('lanternwick');
    $file['asks'] = [
        'bitrates' => [
            ['shorterSide' => 2160, 'kbps' => 35_000, 'toKbps' => 45_000, 'hdrKbps' => 44_000, 'hdrToKbps' => 56_000],
            ['shorterSide' => 540, 'kbps' => 2_000, 'toKbps' => 4_000],
        ],
        'hdrTimes' => 1.5,
    ];
    $bitrate = (new HostFile(new Catalogue))->host('lanternwick', $file)->asks->bitrate;
    $of = fn (string $size, bool $hdr): string => str_replace(
        "\u{2009}",
        ' ',
        (string) $bitrate->asked(FrameSize::parse($size), FrameRate::of(25), $hdr),
    );
    expect($of('3840x2160', false))->toBe('35 to 45 Mb/s')
        ->and($of('3840x2160', true))->toBe('44 to 56 Mb/s')
        ->and($of('960x540', true))->toBe('3 to 6 Mb/s')
        // Half the way in lines is half the way on both scales: √(2000 × 35000) and √(4000 × 45000).
        ->and($of('1920x1080', false))->toBe('8.37 to 13.4 Mb/s, between 540 and 2160 lines');
    $range = new RateRange(Bitrate::kilobits(35_000), Bitrate::kilobits(45_000));
    expect(array_map(fn (int $kbps): string => $range->where(Bitrate::kilobits($kbps)), [34_999, 35_000, 38_000, 45_000, 45_001]))
        ->toBe(['under it', 'at its floor', '30 % up', 'at its ceiling', 'above it']);
});

it('asks for another codec above a width', function () {
    expect(Desk::host('orrery')->asks->codecFor(5760)->codec)
        ->toBe('hevc')
        ->and(Desk::host('orrery')->asks->codecFor(3840)->codec)
        ->toBe('h264');
});

it('says its asks in words', function () {
    $words = array_column(Desk::host('lanternwick')->asks->inWords(), 'text', 'label');
    expect(str_replace("\u{2009}", ' ', implode('; ', $words)))->toBe(
        'MP4, fast start; H.264 High; at least 24 fps for HD; every 2 s, closed GOP, at most 2 B-frames in a row, no pyramid; '
            .'4:2:0; AAC 320 kb/s, 48 kHz, −15 LUFS; 12:00:00, 200 GB',
    );
});

it('asks nothing where a host says nothing', function () {
    $silent = (new HostFile(new Catalogue))->host('silent', ['name' => 'Silent', 'asks' => []])->asks;
    expect($silent->bitrate->average(new FrameSize(1920, 1080), FrameRate::of(25), false))
        ->toBeNull()
        ->and($silent->codecFor(1920))
        ->toBeNull()
        ->and($silent->takesCodec('prores', 1920))
        ->toBeTrue()
        ->and($silent->inWords())
        ->toBe([]);
});

it('lays edits over rules: named values merge, a word or another kind replaces', function (array $rules, array $edits, array $expected) {
    expect((new Cells)->merge(new Rules($rules), new Rules($edits))->rules)->toBe($expected);
})->with([
    'one figure of a rate' => [
        ['bitrate' => ['mode' => 'vbr', 'passes' => 2]],
        ['bitrate' => ['passes' => 1]],
        ['bitrate' => ['mode' => 'vbr', 'passes' => 1]],
    ],
    'a word over values' => [['audio' => ['codec' => 'aac']], ['audio' => 'none'], ['audio' => 'none']],
    'values over a word' => [['video' => 'host'], ['video' => ['codec' => 'hevc']], ['video' => ['codec' => 'hevc']]],
    'another way of size' => [
        ['frameSize' => ['follow' => 'stored']],
        ['frameSize' => ['fit' => '1280×720']],
        ['frameSize' => ['fit' => '1280×720']],
    ],
    'another codec forgets the profile' => [
        ['video' => ['codec' => 'h264', 'profile' => 'high']],
        ['video' => ['codec' => 'prores']],
        ['video' => ['codec' => 'prores']],
    ],
    'the same codec keeps it' => [
        ['video' => ['codec' => 'h264', 'profile' => 'high']],
        ['video' => ['effort' => 'slow']],
        ['video' => ['codec' => 'h264', 'profile' => 'high', 'effort' => 'slow']],
    ],
]);

it('refuses a preset without a name or a role', fn () => Preset::fromFile('x', ['name' => 'X', 'role' => 'poster']))->throws(
    InvalidArgumentException::class,
);

it('lays rules over rules: another way of saying a thing replaces the old one, the rest stays', function (
    string $cell,
    mixed $below,
    mixed $edit,
    mixed $expected,
) {
    expect((new Cells)->merge(new Rules([$cell => $below]), new Rules([$cell => $edit]))->rules[$cell])->toEqual($expected);
})->with([
    'a word replaces' => ['audio', ['codec' => 'aac', 'kbps' => 320], 'none', 'none'],
    'a value beside a word' => ['audio', 'host', ['loudness' => -15], ['as' => 'host', 'loudness' => -15]],
    'another codec drops the old one’s settings' => [
        'audio',
        ['codec' => 'aac', 'kbps' => 320, 'loudness' => -15],
        ['codec' => 'pcm'],
        ['codec' => 'pcm', 'loudness' => -15],
    ],
    'the same codec keeps them' => [
        'video',
        ['codec' => 'h264', 'profile' => 'high'],
        ['codec' => 'h264', 'effort' => 'slow'],
        ['codec' => 'h264', 'profile' => 'high', 'effort' => 'slow'],
    ],
    'a codec in place of none' => ['video', 'none', ['codec' => 'h264'], ['codec' => 'h264']],
    'a size is said in one way' => [
        'frameSize',
        ['exact' => '720×576', 'display' => '4:3', 'projection' => 'none'],
        ['fit' => '640×360'],
        ['fit' => '640×360', 'projection' => 'none'],
    ],
    'a rate too' => ['frameRate', ['halve' => true, 'by' => 'blend'], ['exact' => '25'], ['exact' => '25', 'by' => 'blend']],
    'seconds in place of frames' => ['keyframes', ['frames' => 15, 'closed' => true], ['seconds' => 1], ['seconds' => 1, 'closed' => true]],
    'null takes back what the preset says' => [
        'colour',
        ['convert' => 'bt709', 'bitDepth' => 8],
        ['convert' => null],
        ['convert' => null, 'bitDepth' => 8],
    ],
]);

it('holds a host file to what can be made here', function (array $change, string $fault) {
    expect(fn () => (new HostFile(new Catalogue))->host('x', array_replace_recursive(Desk::hostFile('lanternwick'), $change)))->toThrow(
        InvalidArgumentException::class,
        $fault,
    );
})->with([
    'a codec' => [
        ['asks' => ['codecs' => [['codec' => 'theora', 'profile' => null]]]],
        'asks/codecs: the video codec “theora” cannot be made here. There is: h264',
    ],
    'a profile' => [['asks' => ['codecs' => [['profile' => 'main10']]]], 'asks/codecs: the profile “main10” of H.264 cannot be made here.'],
    'a container' => [['asks' => ['containers' => ['ogg']]], 'asks/containers: the container “ogg” cannot be made here.'],
    'an audio codec' => [['asks' => ['audio' => ['codec' => 'wma']]], 'asks/audio: the audio codec “wma” cannot be made here.'],
    'a rendition’s codec' => [
        ['recompression' => ['tiers' => [1 => ['ladder' => [['codec' => 'theora']]]]]],
        'recompression/tiers/basic: the video codec “theora”',
    ],
    'a quality off its scale' => [
        ['recompression' => ['tiers' => [1 => ['ladder' => [['kbps' => null, 'quality' => 90]]]]]],
        'H.264 has no quality 90. It runs from',
    ],
    'both average and quality' => [
        ['recompression' => ['tiers' => [1 => ['ladder' => [['quality' => 20]]]]]],
        'needs an average or a quality, and not both',
    ],
    'a last tier with conditions' => [
        ['recompression' => ['tiers' => [1 => ['when' => [['hdr' => true]]]]]],
        'The last tier must take every upload',
    ],
]);

it('puts an upload into the tier that its size and frame rate earn it', function (string $frame, string $rate, string $tier, array $sides) {
    $upload = new Upload(FrameSize::parse($frame), FrameRate::parse($rate), false);
    $found = Desk::host('lanternwick')->recompression->tierOf($upload);
    expect($found->name)
        ->toBe($tier)
        ->and(array_map(fn (Rung $rung): int => $rung->shorterSide, $found->renditionsOf($upload->frame)))
        ->toBe($sides);
})->with([
    '1080 at 25' => ['1920x1080', '25', 'basic', [1080, 720, 480, 360]],
    '1080 at 30 is not above 30' => ['1920x1080', '30', 'basic', [1080, 720, 480, 360]],
    '1080 at 50' => ['1920x1080', '50', 'fine', [1080, 720, 480, 360]],
    'one size up' => ['2560x1440', '25', 'fine', [1440, 1080, 720, 480, 360]],
    'upright' => ['1440x2560', '25', 'fine', [1440, 1080, 720, 480, 360]],
    'smaller than all of them' => ['320x180', '25', 'basic', [360]],
]);

it('says what a host does to an upload from its tiers', function (string $host, string $words) {
    expect(strtr(Desk::host($host)->recompression->words(), ["\u{2009}" => ' ']))->toStartWith($words);
})->with([
    [
        'lanternwick',
        'Uploads 1440 lines or taller, or above 30 fps, get the fine tier (VP9); the rest get the basic tier (H.264). Audio: AAC 128 kb/s',
    ],
    ['platen', 'Every upload becomes H.264. Audio:'],
    ['tallgate', 'Every upload becomes H.264. Audio:'],
    ['orrery', 'Every upload becomes HEVC. Audio:'],
]);

it('says whom the tier above takes', function (string $host, string $tier, ?string $words) {
    $said = Desk::host($host)->recompression->above($tier);
    expect($said === null ? null : strtr($said, ["\u{2009}" => ' ']))->toBe($words);
})->with([
    ['lanternwick', 'basic', 'The fine tier (VP9) is for uploads 1440 lines or taller, or above 30 fps.'],
    ['lanternwick', 'fine', null],
    ['lanternwick', 'no tier', null],
    ['platen', 'every upload', null],
]);

it('asks a codec by the width of the frame that is made, and takes no other there', function (int $width, string $codec, array $takes) {
    $orrery = Desk::host('orrery');
    $cut = Probes::plain(['width' => 5760, 'height' => 2880, 'avg_frame_rate' => '30/1', 'r_frame_rate' => '30/1']);
    $plan = Desk::plan(Desk::reading($cut), 'orrery-360@orrery', ['frameSize' => ['exact' => $width.'×'.$width / 2], 'video' => []]);
    expect($plan->video->codec->id())
        ->toBe($codec)
        ->and(array_map(fn (string $id): bool => $orrery->asks->takesCodec($id, $width), ['h264', 'hevc']))
        ->toBe($takes);
})->with([[5760, 'hevc', [false, true]], [3840, 'h264', [true, false]]]);
