<?php

use OuterCrate\Analysis\Bars;
use OuterCrate\Analysis\Found;
use OuterCrate\Analysis\FoundSound;
use OuterCrate\Analysis\Severity;
use OuterCrate\Analysis\TestedUpload;
use OuterCrate\Checks\Container\HostChanged;
use OuterCrate\Checks\Container\PresetAway;
use OuterCrate\Checks\Container\PresetGone;
use OuterCrate\Checks\Container\PresetNewer;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Formats\Catalogue;
use OuterCrate\Formats\Picture\Scan;
use OuterCrate\Planning\Changed;
use OuterCrate\Planning\OutputSpec;
use OuterCrate\Planning\Sheet\Cells;
use OuterCrate\Planning\Sheet\Planner;
use OuterCrate\Planning\Subject;
use OuterCrate\Planning\Volume;
use OuterCrate\Presets\Rules;
use OuterCrate\Reading\ContentLight;
use OuterCrate\Reading\Packets\FrameOrder;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\FrameRange;
use OuterCrate\Units\FrameSize;
use Tests\Support\Desk;
use Tests\Support\Probes;

$hd = ['width' => 1920, 'height' => 1080];
$sphere = ['side_data_list' => [['side_data_type' => 'Spherical Mapping', 'projection' => 'equirectangular']]];

/**
 * An upload of the mezzanine that was sent through Lanternwick: lines, kb/s, and what was left of its two pieces in dB.
 *
 * @param  array{float, float}  $decibels
 */
function tested(int $lines, int $kbps, array $decibels, bool $banded = false, int $hostVersion = 1): TestedUpload
{
    return new TestedUpload(
        test: 1,
        host: 'lanternwick',
        hostVersion: $hostVersion,
        range: new FrameRange(0, 312),
        frame: new FrameSize(intdiv($lines * 16, 9), $lines),
        codec: 'h264',
        average: Bitrate::kilobits($kbps),
        bytes: $kbps * 1_500,
        tier: $lines >= 1440 ? 'fine' : 'basic',
        screen: 720,
        ssim: array_map(fn (float $db): float => 1 - 10 ** (-$db / 10), $decibels),
        shares: [0.5, 0.5],
        sampled: 0.3,
        bandingAdded: $banded ? 0.3 : 0.01,
        banded: $banded,
        grainKept: 0.41,
    );
}

dataset('findings', [
    'more-than-survives' => [
        Probes::mezzanine(),
        'lanternwick-even@lanternwick',
        [],
        ['tested' => [tested(720, 5_500, [17.9, 18.1]), tested(720, 2_750, [17.88, 18.1])]],
    ],
    'bitrate-under-ask' => [Probes::mezzanine(), 'lanternwick-even@lanternwick', ['bitrate' => ['average' => ['kbps' => 4000]]]],
    'bitrate-above-cut' => [Probes::plain($hd), 'lanternwick-generous@lanternwick', []],
    'frame-enlarged' => [Probes::plain(), 'lanternwick-even@lanternwick', ['frameSize' => ['exact' => '1280×720']]],
    'frame-rate-changed' => [Probes::plain(), 'lanternwick-even@lanternwick', ['frameRate' => ['exact' => '30']]],
    'frame-rate-under-ask' => [Probes::plain($hd), 'lanternwick-even@lanternwick', ['frameRate' => ['exact' => '15']]],
    'codec-not-taken' => [Probes::mezzanine(), 'slow-line@lanternwick', []],
    'container-not-taken' => [Probes::mezzanine(), 'lanternwick-even@lanternwick', ['container' => ['set' => 'matroska']]],
    'container-cannot-hold' => [Probes::mezzanine(), 'archive-10-bit', ['container' => ['set' => 'mp4']]],
    'no-level' => [Probes::plain($hd), 'lanternwick-even@lanternwick', ['bitrate' => ['average' => ['kbps' => 1_500_000]]]],
    'encoder-refuses-bitrate' => [
        Probes::plain($hd),
        'lanternwick-generous@lanternwick',
        ['video' => ['codec' => 'av1'], 'bitrate' => ['mode' => 'vbr', 'average' => ['kbps' => 100_001]]],
    ],
    'codec-refuses-frame' => [Probes::plain(['width' => 854, 'height' => 480]), 'archive-10-bit', ['video' => ['codec' => 'cfhd']]],
    'clock-broken' => [
        Probes::plain() + ['orders' => ['0' => ['whole' => true, 'times' => ['frames' => 50, 'shared' => 30]]]],
        'review-720',
        [],
    ],
    'container-refuses-rate' => [
        Probes::plain(['avg_frame_rate' => '25/2']),
        'exchange-vc-3',
        [],
    ],
    'container-too-small' => [
        Probes::plain(['duration' => '7200', 'nb_frames' => '180000'] + $hd, format: ['duration' => '7200']),
        'lossless-vault',
        ['container' => ['set' => 'avi'], 'video' => ['codec' => 'utvideo'], 'audio' => ['codec' => 'pcm']],
    ],
    'tags-lost' => [
        Probes::plain(),
        'lossless-vault',
        ['container' => ['set' => 'avi'], 'video' => ['codec' => 'utvideo'], 'audio' => ['codec' => 'pcm']],
    ],
    'level-exceeded' => [Probes::plain($hd), 'lanternwick-even@lanternwick', ['video' => ['codec' => 'h264', 'level' => '3']]],
    'stretched' => [
        Probes::plain(['width' => 640, 'height' => 480]),
        'review-720',
        ['frameSize' => ['exact' => '1280×720', 'shape' => 'stretch']],
    ],
    'too-few-bits' => [
        Probes::plain($hd),
        'review-720',
        ['bitrate' => ['mode' => 'vbr', 'average' => ['kbps' => 600], 'peak' => ['kbps' => 900]]],
    ],
    'constant-rate-padding' => [Probes::plain($hd), 'review-720', ['bitrate' => ['mode' => 'cbr', 'average' => ['kbps' => 40_000]]]],
    'one-pass-misses' => [
        Probes::plain(),
        'lanternwick-even@lanternwick',
        ['bitrate' => ['average' => ['bytes' => 9_000_000], 'passes' => 1]],
    ],
    'device-refuses-codec' => [Probes::plain($hd), 'hd-disc', ['video' => ['codec' => 'hevc']]],
    'device-refuses-size' => [Probes::plain($hd), 'hd-disc', ['frameSize' => ['exact' => '1440×1080']]],
    'device-refuses-rate' => [Probes::plain([...$hd, 'avg_frame_rate' => '30/1', 'r_frame_rate' => '30/1']), 'hd-disc', []],
    'device-refuses-bitrate' => [Probes::plain($hd), 'hd-disc', ['bitrate' => ['average' => ['kbps' => 41_000]]]],
    'device-refuses-keyframes' => [Probes::plain($hd), 'hd-disc', ['keyframes' => ['seconds' => 2]]],
    'device-refuses-colour' => [Probes::plain($hd), 'hd-disc', ['colour' => ['convert' => 'bt601-625']]],
    'edge-cut-off' => [Probes::plain(['width' => 641, 'height' => 481, 'pix_fmt' => 'yuv422p10le']), 'archive-10-bit', []],
    'codec-refuses-channels' => [
        Probes::plain($hd, [['channels' => 6]]),
        'review-720',
        ['audio' => ['codec' => 'mp3', 'channels' => 6], 'container' => ['set' => 'matroska']],
    ],
    'samples-not-kept' => [Probes::plain($hd), 'lossless-vault', ['audio' => ['codec' => 'flac', 'bitDepth' => 32]]],
    'no-audio' => [Probes::plain(), 'lanternwick-even@lanternwick', ['audio' => 'none']],
    'shape-differs' => [Probes::plain($hd), 'tallgate-upright@tallgate', []],
    'projection-missing' => [Probes::plain(['width' => 1920, 'height' => 960]), 'lanternwick-even@orrery', []],
    'hdr-to-sdr' => [Probes::hdr(), 'platen-1080@platen', []],
    'frame-too-large-for-host' => [Probes::plain(['width' => 2160, 'height' => 3840]), 'slow-line@tallgate', []],
    'too-long-for-host' => [
        Probes::plain(['duration' => '91', 'nb_frames' => '2275'], format: ['duration' => '91']),
        'tallgate-upright@tallgate',
        [],
    ],
    'index-last' => [Probes::plain($hd), 'lanternwick-even@lanternwick', ['container' => ['set' => 'mp4', 'fastStart' => false]]],
    'profile-differs' => [Probes::plain($hd), 'lanternwick-even@lanternwick', ['video' => ['codec' => 'h264', 'profile' => 'main']]],
    'alpha-lost' => [Probes::plain(['pix_fmt' => 'yuva444p12le'] + $hd), 'archive-10-bit', []],
    'frame-reduced' => [Probes::plain($hd), 'lanternwick-even@lanternwick', ['frameSize' => ['fit' => '1280×720']]],
    'mostly-bars' => [Probes::plain(['width' => 720, 'height' => 1280]), 'review-720', ['frameSize' => ['exact' => '1280×720']]],
    'bars-in-cut' => [Probes::plain($hd), 'lanternwick-even@lanternwick', [], ['found' => new Found(bars: new Bars(0, 0, 240, 240))]],
    'pixels-not-square' => [Probes::tape(), 'lanternwick-even@lanternwick', ['frameSize' => ['follow' => 'stored']]],
    'projection-lost' => [
        Probes::plain(['width' => 1920, 'height' => 960] + $sphere),
        'review-720',
        ['frameSize' => ['exact' => '1280×720']],
    ],
    'sphere-not-2-1' => [Probes::plain($hd), 'review-720', ['frameSize' => ['projection' => 'equirectangular']]],
    'fields-in-upload' => [Probes::tape(), 'lanternwick-even@lanternwick', ['frameRate' => ['fields' => 'keep']]],
    'fields-not-kept' => [Probes::tape(), 'slow-line', ['frameRate' => ['fields' => 'keep']]],
    'motion-slow' => [Probes::plain(), 'review-720', ['frameRate' => ['exact' => '50', 'by' => 'motion']]],
    'frame-rate-not-allowed' => [
        Probes::plain(['width' => 1080, 'height' => 1920]),
        'tallgate-upright@tallgate',
        ['frameRate' => ['exact' => '25']],
    ],
    'too-many-bits' => [Probes::mezzanine(), 'review-720', ['bitrate' => ['mode' => 'vbr', 'average' => ['kbps' => 60_000]]]],
    'strict-peak' => [
        Probes::plain($hd),
        'lanternwick-even',
        ['bitrate' => ['mode' => 'vbr', 'average' => ['kbps' => 8_000], 'peak' => ['kbps' => 12_000], 'buffer' => ['seconds' => 0.25]]],
    ],
    'peak-above-ask' => [
        Probes::plain($hd),
        'platen-1080@platen',
        ['bitrate' => ['mode' => 'vbr', 'average' => ['kbps' => 20_000], 'peak' => ['kbps' => 30_000]]],
    ],
    'beyond-table' => [Probes::plain(), 'lanternwick-even@lanternwick', []],
    'generation-of-loss' => [Probes::plain($hd), 'archive-10-bit', []],
    'keyframes-too-far' => [
        Probes::plain($hd),
        'lanternwick-even@lanternwick',
        ['keyframes' => ['seconds' => 8]],
        ['asks' => ['keyframes' => ['seconds' => 2]]],
    ],
    'gop-open' => [Probes::plain($hd), 'lanternwick-even@lanternwick', ['keyframes' => ['closed' => false]]],
    'too-many-b-frames' => [Probes::plain($hd), 'lanternwick-even@lanternwick', ['keyframes' => ['bFrames' => 4]]],
    'pyramid-not-asked' => [Probes::plain($hd), 'lanternwick-even@lanternwick', ['keyframes' => ['bFrames' => 2, 'pyramid' => true]]],
    'chroma-differs' => [Probes::mezzanine(), 'lanternwick-even@lanternwick', ['video' => ['codec' => 'h264', 'profile' => 'high422']]],
    'master-loses-depth' => [Probes::mezzanine(), 'light-lossless', []],
    'bands-likely' => [Probes::mezzanine(), 'lanternwick-even@lanternwick', [], ['found' => new Found(gradient: 0.5, grain: 0.4)]],
    'grain-needs-bits' => [
        Probes::mezzanine(),
        'review-720',
        ['bitrate' => ['mode' => 'vbr', 'average' => ['kbps' => 3_000]]],
        ['found' => new Found(grain: 9.0)],
    ],
    'hdr-without-metadata' => [
        Probes::hdr(),
        'slow-line',
        ['colour' => ['hdr10' => 'none']],
        ['found' => new Found(light: new ContentLight(900, 200))],
    ],
    'hdr-mistagged' => [Probes::hdr(), 'slow-line', ['colour' => ['tag' => 'bt709']]],
    'hdr-for-sdr-viewers' => [Probes::hdr(), 'platen-1080@platen', ['video' => ['codec' => 'hevc', 'profile' => 'main10']]],
    'untagged' => [Probes::plain(), 'review-720', ['colour' => ['tag' => 'none']]],
    'tag-assumed' => [
        Probes::plain(['color_primaries' => 'unknown', 'color_transfer' => null, 'color_space' => null] + $hd),
        'review-720',
        [],
    ],
    'full-range' => [Probes::plain($hd), 'lanternwick-even@lanternwick', ['colour' => ['range' => 'full']]],
    'audio-uncompressed' => [
        Probes::plain($hd),
        'lanternwick-even@lanternwick',
        ['container' => ['set' => 'mov'], 'audio' => ['codec' => 'pcm']],
    ],
    'audio-not-asked' => [
        Probes::plain($hd),
        'lanternwick-even@lanternwick',
        ['audio' => ['codec' => 'aac', 'kbps' => 96, 'sampleRate' => 44_100]],
    ],
    'loudness-off' => [Probes::plain($hd), 'lanternwick-even@lanternwick', [], ['found' => new Found(new FoundSound(-27.4, -14.0))]],
    'loudness-unknown' => [Probes::plain($hd), 'lanternwick-even@lanternwick', ['audio' => ['as' => 'host', 'loudness' => -15]]],
    'peaks-limited' => [
        Probes::plain($hd),
        'review-720',
        ['audio' => ['loudness' => -14]],
        ['found' => new Found(new FoundSound(-24.0, -3.0))],
    ],
    'loudness-out-of-reach' => [
        Probes::plain($hd),
        'review-720',
        ['audio' => ['loudness' => -14]],
        ['found' => new Found(new FoundSound(-44.0, -30.0))],
    ],
    'mix-overloads' => [
        Probes::plain($hd, [['channels' => 6]]),
        'review-720',
        [],
        ['found' => new Found(new FoundSound(-12.0, -1.0), new FoundSound(-5.0, 8.4))],
    ],
    'mixed-down' => [Probes::plain($hd, [['channels' => 6]]), 'review-720', []],
    'tracks-left-out' => [Probes::plain($hd, [[], []]), 'archive-10-bit', []],
    'name-says-last' => [Probes::plain($hd), 'review-720', [], ['cutName' => 'Night firing FINAL final_last']],
    'cut-may-be-wrong' => [
        Probes::plain($hd),
        'review-720',
        [],
        ['neighbour' => ['name' => 'night firing master.mov', 'bytes' => 9_000_000_000]],
    ],
    'file-system-limit' => [
        Probes::plain(['duration' => '7200', 'nb_frames' => '180000'] + $hd, format: ['duration' => '7200']),
        'lanternwick-even@lanternwick',
        [],
        ['volume' => new Volume(null, 'vfat')],
    ],
    'same-drive' => [
        Probes::plain(['duration' => '7200', 'nb_frames' => '180000'] + $hd, format: ['duration' => '7200']),
        'lanternwick-even@lanternwick',
        [],
        ['volume' => new Volume(null, 'ext4', true), 'bytes' => 9_000_000_000],
    ],
    'scan-mistold' => [Probes::plain($hd), 'review-720', [], ['found' => new Found(scan: Scan::TopFieldFirst)]],
    'hardware-trade' => [
        Probes::plain($hd),
        'lanternwick-generous@lanternwick',
        ['video' => ['codec' => 'h264', 'profile' => 'high', 'device' => 'hardware']],
        ['hardware' => ['hevc_qsv', 'h264_nvenc']],
    ],
    'no-hardware' => [
        Probes::plain($hd),
        'lanternwick-even@lanternwick',
        ['video' => ['codec' => 'h264', 'profile' => 'high', 'device' => 'hardware']],
        ['hardware' => ['hevc_qsv']],
    ],
    'nothing-to-make' => [Probes::plain($hd), 'sound-wav', ['audio' => 'none']],
    'too-large-for-host' => [
        Probes::plain(['duration' => '80', 'nb_frames' => '2000'], format: ['duration' => '80']),
        'tallgate-upright@tallgate',
        ['bitrate' => ['average' => ['kbps' => 40_000]]],
    ],
]);

it('notices, with numbers and once', function (array $probe, string $output, array $edits, array $around = []) {
    $id = trim(explode('"', $this->dataName())[1] ?? $this->dataName());
    $reading = Desk::reading($probe, $around['bytes'] ?? 1_000_000);
    $subject = new Subject($reading, ...array_diff_key($around, ['bytes' => true, 'asks' => true]));
    $column = Desk::column($reading, $output, $edits, subject: $subject, asks: $around['asks'] ?? []);
    expect(array_count_values(Desk::findings($column))[$id] ?? 0)->toBe(1);
    $finding = $column->findings[array_search($id, Desk::findings($column), true)];
    // Numbers, beside those in the names of things.
    expect($finding->text)
        ->toEndWith('.')
        ->and(preg_replace('~H\.26\d|BT\.\d+|MP[34]|AV1|VP9|FFV1|AC-3|VC-\d|ProRes \d+|\b360\b|HDR10~', '', $finding->text))
        ->toMatch('~\d~')
        ->and(strlen($finding->text))
        ->toBeGreaterThan(30);
    if ($finding->remedy !== null) {
        $patched = (new Rules($edits))->rules;
        foreach ($finding->remedy->patch as $cell => $rule) {
            $patched[$cell] = $rule;
        }
        $after = Desk::column(
            $reading,
            $output,
            array_filter($patched, fn ($rule): bool => $rule !== null),
            subject: $subject,
            asks: $around['asks'] ?? [],
        );
        expect(Desk::findings($after))
            ->not->toContain($id)
            ->and($column->isStopped() || ! $after->isStopped())
            ->toBeTrue()
            ->and(Desk::fits($finding->remedy->patch))
            ->toBeTrue();
    }
})->with('findings');

it('has an example of everything that is noticed', function () {
    $source = implode('', array_map(file_get_contents(...), glob(__DIR__.'/../../core/Checks/*/*.php')));
    preg_match_all(
        "~new Finding\\('([a-z0-9-]+)'|'([a-z0-9-]+)',\\s+Severity::~",
        preg_replace('~Finding\\(\\s+~', 'Finding(', $source),
        $ids,
    );
    $known = array_unique(array_filter([...$ids[1], ...$ids[2]]));
    $examples = preg_replace('~\\[\\s+Probes~', '[Probes', file_get_contents(__FILE__));
    preg_match_all("~'([a-z0-9-]+)' => \\[Probes|toContain\\('([a-z0-9-]+)'~", $examples, $shown);
    expect(count($known))->toBeGreaterThan(55)->and(array_values(array_diff($known, $shown[1], $shown[2])))->toBe([]);
});

it('speaks of black bars in a cut where leaving them out gains something', function (
    string $output,
    array $edits,
    array $bars,
    ?string $severity,
) {
    $reading = Desk::reading(Probes::plain(['width' => 1920, 'height' => 1080]));
    $column = Desk::column($reading, $output, $edits, subject: new Subject($reading, found: new Found(bars: new Bars(...$bars))));
    $found = array_values(array_filter($column->findings, fn ($finding): bool => $finding->id === 'bars-in-cut'));
    expect($found[0]->severity->value ?? null)->toBe($severity);
})->with([
    'an upright picture in a wide frame' => ['lanternwick-even@lanternwick', [], [0, 0, 656, 656], 'caution'],
    'a 4:3 picture' => ['review-720', [], [0, 0, 240, 240], 'caution'],
    'a picture wider than its frame' => ['review-720', [], [138, 138, 0, 0], 'caution'],
    'a narrow line' => ['review-720', [], [22, 22, 0, 0], 'note'],
    'a line of two' => ['review-720', [], [2, 2, 0, 0], null],
    'a master keeps them' => ['archive-10-bit', [], [0, 0, 240, 240], null],
    'a fixed frame would bring them back' => ['review-720', ['frameSize' => ['exact' => '1280×720']], [0, 0, 240, 240], null],
    'a fixed frame of the other shape' => ['review-720', ['frameSize' => ['exact' => '640×480']], [0, 0, 240, 240], 'caution'],
    'nothing but bars' => ['review-720', [], [530, 530, 0, 0], null],
]);

it('judges bits a pixel by what the codec needs for plain footage', function (string $codec, string $mode, int $kbps, ?string $noticed) {
    // 320×180 at 25 fps: 1.44 million pixels in a second.
    $column = Desk::column(Desk::reading(Probes::plain()), 'review-720', [
        'video' => ['codec' => $codec],
        'bitrate' => ['mode' => $mode, 'average' => ['kbps' => $kbps]],
    ]);
    expect(array_values(array_intersect(Desk::findings($column), ['too-few-bits', 'too-many-bits', 'constant-rate-padding'])))->toBe(
        $noticed === null ? [] : [$noticed],
    );
})->with([
    // H.264 needs 0.11: blocks under 0.3 of it, nothing to see beyond 8 times, padding beyond 4 times.
    ['h264', 'vbr', 46, 'too-few-bits'],
    ['h264', 'vbr', 48, null],
    ['h264', 'vbr', 1_267, null],
    ['h264', 'vbr', 1_269, 'too-many-bits'],
    ['h264', 'cbr', 46, 'too-few-bits'],
    ['h264', 'cbr', 633, null],
    ['h264', 'cbr', 636, 'constant-rate-padding'],
    ['h264', 'cbr', 2_000, 'constant-rate-padding'],
    ['hevc', 'vbr', 29, 'too-few-bits'],
    ['hevc', 'vbr', 31, null],
    ['hevc', 'vbr', 806, null],
    ['hevc', 'vbr', 808, 'too-many-bits'],
]);

it('counts what a cut holds in the bits of the codec that is made', function (string $output, array $rate, bool $noticed, ?string $remedy) {
    // The cut: 800 kb/s of H.264, as good as 509 kb/s of HEVC.
    $column = Desk::column(Desk::reading(Probes::plain()), $output, ['bitrate' => $rate]);
    $found = array_values(array_filter($column->findings, fn ($finding): bool => $finding->id === 'bitrate-above-cut'));
    expect($found !== [])
        ->toBe($noticed)
        ->and(strtr($found[0]->remedy->text ?? 'none', ["\u{2009}" => ' ']))
        ->toBe($remedy ?? 'none');
})->with([
    'half as much again is room for another generation' => ['review-720', ['mode' => 'vbr', 'average' => ['kbps' => 1_200]], false, null],
    'more is not' => ['review-720', ['mode' => 'vbr', 'average' => ['kbps' => 1_201]], true, 'Lower the average to 1.2 Mb/s'],
    'HEVC says it with less' => ['slow-line', ['mode' => 'vbr', 'average' => ['kbps' => 763]], false, null],
    'and has enough sooner' => ['slow-line', ['mode' => 'vbr', 'average' => ['kbps' => 770]], true, 'Lower the average to 764 kb/s'],
    'what the host asks stays the floor' => [
        'lanternwick-even@lanternwick',
        ['average' => ['kbps' => 2_400]],
        true,
        'Lower the average to 1.2 Mb/s',
    ],
]);

it('fears bands where gradients are smooth, bits few and grain none', function (array $found, array $edits, bool $noticed, bool $remedied) {
    $cut = $edits['cut'] ?? Probes::mezzanine();
    $reading = Desk::reading($cut);
    $column = Desk::column(
        $reading,
        'lanternwick-even@lanternwick',
        array_diff_key($edits, ['cut' => true]),
        subject: new Subject($reading, found: new Found(...$found)),
    );
    $bands = array_values(array_filter($column->findings, fn ($finding): bool => $finding->id === 'bands-likely'));
    expect([$bands !== [], ($bands[0]->remedy ?? null) !== null])->toBe([$noticed, $remedied]);
})->with([
    'gradients' => [['gradient' => 0.3], [], true, true],
    'few gradients' => [['gradient' => 0.29], [], false, false],
    'darkness' => [['darkness' => 0.6], [], true, true],
    'some darkness' => [['darkness' => 0.59], [], false, false],
    'grain breaks them up' => [['gradient' => 0.9, 'grain' => 1.6], [], false, false],
    'a trace of grain does not' => [['gradient' => 0.9, 'grain' => 1.5], [], true, true],
    'the error is diffused' => [['gradient' => 0.9], ['colour' => ['dither' => 'error-diffusion']], false, false],
    'ten bits hold them' => [['gradient' => 0.9], ['video' => ['codec' => 'h264', 'profile' => 'high10']], false, false],
    'a cut of 8 bits has no more to give' => [['gradient' => 0.9], ['cut' => Probes::plain()], true, false],
]);

it('cites what was tested in place of a guess', function (string $id, array $edits, array $tested, Severity $severity, array $says) {
    $reading = Desk::reading(Probes::mezzanine());
    $found = new Found(gradient: 0.5, grain: str_starts_with($id, 'grain') ? 9 : 0.4);
    $subject = new Subject($reading, found: $found, tested: $tested);
    $column = Desk::column($reading, 'lanternwick-even@lanternwick', $edits, subject: $subject);
    $finding = array_values(array_filter($column->findings, fn (Finding $one): bool => $one->id === $id))[0] ?? null;
    expect($finding?->severity)->toBe($severity, (string) $finding?->text);
    foreach ($says as $words) {
        expect($finding->text)->toContain($words);
    }
})->with([
    'a size up wins' => [
        'frame-enlarged', ['frameSize' => ['step' => 1]], [tested(1080, 9_000, [18.4, 19.4]), tested(720, 5_500, [17.0, 18.0])],
        Severity::Note, ['reaches the basic tier', '+1.40 dB', 'for 1.6 × the size', 'simulation of Lanternwick'],
    ],
    'a size up wins nothing' => [
        'frame-enlarged', ['frameSize' => ['step' => 1]], [tested(1080, 9_000, [17.0, 18.02]), tested(720, 5_500, [17.0, 18.0])],
        Severity::Caution, ['wins nothing, +0.01 dB SSIM'],
    ],
    'another version of the host was tested' => [
        'frame-enlarged', ['frameSize' => ['step' => 1]],
        [tested(1080, 9_000, [18.4, 19.4], hostVersion: 2), tested(720, 5_500, [17.0, 18.0], hostVersion: 2)],
        Severity::Caution, ['No detail is won'],
    ],
    'another rate was tested' => [
        'frame-enlarged', ['frameSize' => ['step' => 1]], [tested(1080, 3_000, [18.4, 19.4]), tested(720, 5_500, [17.0, 18.0])],
        Severity::Caution, ['No detail is won'],
    ],
    'under what is asked, and it costs' => [
        'bitrate-under-ask', ['bitrate' => ['average' => ['kbps' => 2_000]]],
        [tested(720, 2_000, [16.0, 17.0]), tested(720, 5_500, [17.0, 18.0])], Severity::Caution, ['leaves +1.00 dB', 'for 2.8 × the size'],
    ],
    'under what is asked, and nobody sees it' => [
        'bitrate-under-ask', ['bitrate' => ['average' => ['kbps' => 2_000]]],
        [tested(720, 2_000, [17.0, 18.0]), tested(720, 5_500, [17.0, 18.02])], Severity::Note, ['leaves no more that could be told'],
    ],
    'bands are seen' => ['bands-likely', [], [tested(720, 5_500, [17.0, 18.0], true)], Severity::Caution, ['bands are seen, 0.30']],
    'bands are not seen' => ['bands-likely', [], [tested(720, 5_500, [17.0, 18.0])], Severity::Note, ['none are seen so far']],
    'grain' => [
        'grain-needs-bits', ['bitrate' => ['average' => ['kbps' => 2_000]]], [tested(720, 2_000, [17.0, 18.0])],
        Severity::Note, ['41 % of it are left'],
    ],
]);

it('speaks for an output by the nearest average that was tested, of the newest test', function () {
    $cut = Desk::reading(Probes::mezzanine());
    $edits = ['bitrate' => ['average' => ['kbps' => 2_000]]];
    $cites = function (array $tested) use ($cut, $edits): string {
        $subject = new Subject($cut, tested: $tested);
        $column = Desk::column($cut, 'lanternwick-even@lanternwick', $edits, subject: $subject);

        return array_values(array_filter($column->findings, fn (Finding $one): bool => $one->id === 'bitrate-under-ask'))[0]->text;
    };
    $enough = tested(720, 5_500, [17.0, 18.0]);
    expect($cites([tested(720, 2_400, [15.0, 16.0]), tested(720, 2_050, [16.5, 17.5]), $enough]))->toContain('leaves +0.50 dB')
        // A quarter off is not near.
        ->and($cites([tested(720, 2_600, [15.0, 16.0]), $enough]))->toContain('the loss is paid twice')
        // Another codec, another size: nothing was tested.
        ->and($cites([tested(1080, 2_000, [15.0, 16.0]), $enough]))->toContain('the loss is paid twice');
});

it('does not call an average too small that its host asks for', function () {
    $reading = Desk::reading(Probes::plain(['width' => 1920, 'height' => 1080, 'avg_frame_rate' => '60/1']));
    $rates = [
        'bitrates' => array_map(
            fn (array $row): array => ['kbps' => 1_200, 'highKbps' => 1_600] + $row,
            json_decode(file_get_contents(__DIR__.'/../../hosts/lanternwick.json'), true)['asks']['bitrates'],
        ),
    ];
    expect(Desk::findings(Desk::column($reading, 'lanternwick-even@lanternwick', [], asks: $rates)))
        ->not->toContain('too-few-bits')
        ->and(Desk::findings(Desk::column($reading, 'lanternwick-even', ['bitrate' => ['average' => ['kbps' => 1_600]]])))
        ->toContain('too-few-bits');
});

it('notices frames that come unevenly', function () {
    $order = new FrameOrder;
    foreach (range(0, 80) as $i) {
        $order->take($i / 30 + ($i % 4 === 0 ? 0.015 : 0), $i === 0);
    }
    $probe = Probes::plain() + ['orders' => ['0' => ['times' => $order->times()->toArray(), 'whole' => true]]];
    $column = Desk::column(Desk::reading($probe), 'review-720');
    expect(Desk::findings($column))->toContain('variable-frame-rate')->and($column->plan->frameRate->convert)->toBeTrue();
});

it('notices what this machine lacks', function () {
    $cut = Desk::reading(Probes::mezzanine(), 186_000_000);
    expect(Desk::findings(Desk::column($cut, 'slow-line', encoders: ['aac', 'libx264'])))
        ->toContain('encoder-missing')
        ->and(Desk::findings(Desk::column($cut, 'lanternwick-even', encoders: ['aac', 'libx264'])))
        ->not->toContain('encoder-missing')
        ->and(Desk::findings(Desk::column($cut, 'archive-10-bit', free: 1_000_000)))
        ->toContain('no-room')
        ->and(Desk::findings(Desk::column($cut, 'archive-10-bit', free: 10 ** 12)))
        ->not->toContain('no-room');
});

it('counts what is made before into the room on the drive', function () {
    $cut = Desk::reading(Probes::mezzanine(), 186_000_000);
    $bytes = Desk::column($cut, 'archive-10-bit')->size->bytes;
    $subject = new Subject($cut, volume: new Volume((int) (2.5 * $bytes)));
    foreach ([false, false, true] as $stops) {
        $column = Desk::column($cut, 'archive-10-bit', subject: $subject);
        expect(in_array('no-room', Desk::findings($column), true))->toBe($stops);
        $subject = $subject->withPlanned($column->plan->file->path(), $column->plan->file->firstPath(), $bytes);
    }
    expect($column->findings[0]->text)->toContain('before it');
});

it('is quiet about ordinary work', function (string $output) {
    expect(Desk::findings(Desk::column(Desk::reading(Probes::mezzanine(), 186_000_000), $output)))->toBe([]);
})->with([
    'archive-10-bit', 'lossless-vault', 'lanternwick-even@lanternwick', 'lanternwick-generous@lanternwick', 'platen-1080@platen',
    'review-720', 'slow-line',
]);

it('holds discs to what their players play, and says what to do about the rest', function (
    string $output,
    string $rate,
    string $field,
    ?string $finding,
    ?array $patch,
) {
    $reading = Desk::reading(Probes::plain([
        'width' => 1920,
        'height' => 1080,
        'avg_frame_rate' => $rate,
        'r_frame_rate' => $rate,
        'field_order' => $field,
    ]));
    $column = Desk::column($reading, $output);
    $found = array_values(array_filter($column->findings, fn ($finding): bool => str_starts_with($finding->id, 'device')))[0] ?? null;
    expect([$found?->id, $found?->remedy?->patch])->toBe([$finding, $patch]);
    if ($found !== null) {
        expect(array_filter(
            Desk::findings(Desk::column($reading, $output, $patch)),
            fn (string $id): bool => str_starts_with($id, 'device-refuses'),
        ))->toBe([]);
    }
})->with([
    ['hd-disc', '24000/1001', 'progressive', null, null],
    ['hd-disc', '24', 'progressive', null, null],
    ['hd-disc', '25', 'progressive', null, null],
    ['hd-disc', '25', 'tt', null, null],
    ['hd-disc', '30', 'progressive', 'device-refuses-rate', ['frameRate' => ['exact' => '30000/1001']]],
    ['hd-disc', '50', 'progressive', 'device-refuses-rate', ['frameRate' => ['exact' => '30000/1001']]],
    ['sd-disc-50', '24', 'progressive', null, null],
]);

it('speaks of what became of preset and host since an output took them', function () {
    $reading = Desk::reading(Probes::plain());
    $preset = Desk::preset('lanternwick-even');
    $ids = function (Changed $changed) use ($reading, $preset): array {
        $spec = new OutputSpec($preset, Desk::host('lanternwick'), new Rules([]), changed: $changed);
        $subject = new Subject($reading);
        $plan = (new Planner(new Catalogue, new Cells))->plan($subject, $spec);

        return array_map(
            fn (Finding $finding): array => [$finding->id, $finding->text, $finding->remedy?->toArray()],
            array_values(array_filter([
                (new PresetNewer)->look($plan, $subject, SizeEstimate::of($plan, $reading)),
                (new PresetAway)->look($plan, $subject, SizeEstimate::of($plan, $reading)),
                (new HostChanged)->look($plan, $subject, SizeEstimate::of($plan, $reading)),
            ])),
        );
    };
    [$newer] = $ids(new Changed(newerPreset: 3));
    expect($newer[0])->toContain('preset-newer')
        ->and($newer[1])->toContain('is at version 3', 'rules of version 1')
        ->and($newer[2]['preset'])->toBe('lanternwick-even');
    [$away] = $ids(new Changed(presetAway: true));
    expect($away[0])->toContain('preset-away')->and($away[2])->toBeNull();
    [$host] = $ids(new Changed(newerHost: 2, differences: ['Bitrate 8 → 9 Mb/s']));
    expect($host[0])->toContain('host-changed')
        ->and($host[1])->toContain('(version 2): Bitrate 8 → 9 Mb/s')
        ->and($host[2]['acceptHost'])->toBeTrue();
    expect($ids(new Changed(newerHost: 2)))->toBe([]);
});

it('stops an output whose preset has gone, and offers another', function () {
    $reading = Desk::reading(Probes::plain());
    $spec = new OutputSpec(Desk::preset('review-720'), null, new Rules([]), fault: 'There is no preset “x”.', instead: 'archive-10-bit');
    $subject = new Subject($reading);
    $plan = (new Planner(new Catalogue, new Cells))->plan($subject, $spec);
    $finding = (new PresetGone)->look($plan, $subject, SizeEstimate::of($plan, $reading));
    expect($finding->id)->toContain('preset-gone')->and([$finding->severity, $finding->remedy->preset])->toBe([
        Severity::Stop,
        'archive-10-bit',
    ]);
});
