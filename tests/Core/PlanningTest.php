<?php

use OuterCrate\Planning\Cell;
use Tests\Support\Desk;
use Tests\Support\Probes;

function labels($plan): array
{
    return array_map(fn (array $value): string => strtr($value['label'], ["\u{2009}" => ' ']), $plan->toArray()['values']);
}

it('decides master and upload of a 10-bit cut, each value with its origin', function () {
    $cut = Desk::reading(Probes::mezzanine(), 186_000_000);
    $master = Desk::plan($cut, 'archive-10-bit');
    $upload = Desk::plan($cut, 'lanternwick-generous@lanternwick');
    expect(labels($master))->toBe([
        'container' => 'MOV', 'picture' => 'ProRes 422 HQ', 'frameSize' => '1280×720', 'frameRate' => '25', 'rate' => 'set by codec',
        'keyframes' => 'every frame', 'colour' => 'BT.709 · 10-bit 4:2:2', 'sound' => 'PCM 24 · 48 kHz',
    ])->and(labels($upload))->toBe([
        'container' => 'MP4 · fast start', 'picture' => 'H.264 High · 3.1', 'frameSize' => '1280×720', 'frameRate' => '25', 'rate' => 'VBR ×2 · 9.9 ▸ 14.9 Mb/s',
        'keyframes' => '2 s · closed · 2 B', 'colour' => 'BT.709 · 8-bit 4:2:0', 'sound' => 'AAC 320 kb/s · 48 kHz',
    ])->and(array_map(fn ($origin): string => $origin->source->value, $upload->origins))->toBe([
        'picture' => 'host', 'container' => 'host', 'frameSize' => 'cut', 'frameRate' => 'cut', 'colour' => 'host', 'rate' => 'host', 'keyframes' => 'host', 'sound' => 'host',
    ])->and($upload->origins['rate']->text)->toBe("asks 5.5\u{2009}Mb/s × 1.8")
        ->and([$master->findings, $upload->findings])->toBe([[], []]);
});

it('decides by the cut', function (array $probe, string $output, string $cell, string $label, string $origin) {
    $plan = Desk::plan(Desk::reading($probe), $output);
    expect(labels($plan)[$cell])->toBe($label)->and(strtr($plan->origins[$cell]->text, ["\u{2009}" => ' ']))->toBe($origin);
})->with([
    'tape is squared and made progressive' => [Probes::tape(), 'lanternwick-even@lanternwick', 'frameSize', '640×480', 'follows, square pixels'],
    'fields are woven for an upload' => [Probes::tape(), 'lanternwick-even@lanternwick', 'frameRate', '29.97 · made progressive', 'follows'],
    'a vault keeps fields' => [Probes::tape(), 'lossless-vault', 'frameRate', '29.97 · interlaced', 'follows'],
    'a vault keeps pixels' => [Probes::tape(), 'lossless-vault', 'frameSize', '720×480 · 8:9 pixels', 'follows'],
    'SD keeps its colour' => [Probes::tape(), 'lanternwick-even@lanternwick', 'colour', 'BT.601 (525) · 8-bit 4:2:0', 'follows'],
    '15 fps are doubled in HD' => [Probes::plain(['width' => 1280, 'height' => 720, 'avg_frame_rate' => '15/1']), 'lanternwick-even@lanternwick', 'frameRate', '30', '15 × 2, asks ≥ 24'],
    '15 fps stay below HD' => [Probes::plain(['avg_frame_rate' => '15/1']), 'lanternwick-even@lanternwick', 'frameRate', '15', 'follows'],
    '23.976 passes for 24' => [Probes::plain(['width' => 1280, 'height' => 720, 'avg_frame_rate' => '24000/1001']), 'lanternwick-even@lanternwick', 'frameRate', '23.976', 'follows, asks ≥ 24'],
    'high rates are asked more' => [Probes::plain(['width' => 1920, 'height' => 1080, 'avg_frame_rate' => '60000/1001']), 'lanternwick-even@lanternwick', 'rate', 'VBR · 14 ▸ 21 Mb/s', 'asks 14 Mb/s'],
    'Platen states a peak' => [Probes::plain(['width' => 1920, 'height' => 1080]), 'platen-1080@platen', 'rate', 'VBR ×2 · 12 ▸ 22 Mb/s', 'asks 12 Mb/s'],
    'a GOP stays closed where the host says nothing' => [Probes::plain(), 'platen-1080@platen', 'keyframes', '2 s · closed · 2 B', 'preset'],
    'HDR keeps ten bits in HEVC' => [Probes::hdr(), 'slow-line', 'colour', 'BT.2020 PQ · 10-bit 4:2:0', 'follows'],
    'HDR comes down for 8 bits' => [Probes::hdr(), 'lanternwick-even@lanternwick', 'colour', 'BT.709 · 8-bit 4:2:0 · from HDR', '8 bits carry no HDR'],
    'untagged HD is BT.709' => [Probes::plain(['width' => 1280, 'height' => 720, 'color_primaries' => 'unknown', 'color_transfer' => null, 'color_space' => null]), 'lanternwick-even@lanternwick', 'colour', 'BT.709 · 8-bit 4:2:0', 'cut not tagged'],
    'untagged PAL is BT.601' => [Probes::plain(['width' => 720, 'height' => 576, 'color_primaries' => null, 'color_transfer' => null, 'color_space' => null]), 'lossless-vault', 'colour', 'BT.601 (625) · 8-bit 4:2:0', 'cut not tagged'],
    'no sound stays none' => [Probes::plain(audio: []), 'lanternwick-even@lanternwick', 'sound', 'none', 'the cut has none'],
    'an upright cut takes the bounds turned' => [Probes::plain(['width' => 2160, 'height' => 3840]), 'platen-1080@platen', 'frameSize', '1080×1920', 'inside 1080×1920'],
    'AAC takes at most 6 bits a sample and channel' => [Probes::plain(audio: [['channels' => 1]]), 'slow-line', 'sound', 'AAC 160 kb/s · 48 kHz', 'preset'],
]);

it('lays what you change over the preset and says so', function () {
    $plan = Desk::plan(Desk::reading(Probes::mezzanine()), 'lanternwick-generous@lanternwick', ['rate' => ['average' => ['kbps' => 8000]]]);
    expect($plan->rate->average->inKilobits())->toBe(8000)
        ->and($plan->rate->peak->inKilobits())->toBe(12_000)
        ->and($plan->rate->passes)->toBe(2)
        ->and($plan->origins['rate']->source->value)->toBe('you');
});

it('keeps an impossible value from the engine, says why, and offers the way back', function (string $cell, mixed $rule) {
    $reading = Desk::reading(Probes::mezzanine());
    $plan = Desk::plan($reading, 'lanternwick-even@lanternwick', [$cell => $rule]);
    $finding = $plan->findings[0];
    expect($plan->isStopped())->toBeTrue()
        ->and([$finding->id, $finding->cell])->toBe(['impossible-value', Cell::from($cell)])
        ->and(Desk::plan($reading, 'lanternwick-even@lanternwick', array_filter($finding->remedy->patch))->isStopped())->toBeFalse();
})->with([
    'peak under average' => ['rate', ['average' => ['kbps' => 9000], 'peak' => ['kbps' => 5000]]],
    'no rate at all' => ['rate', ['average' => ['kbps' => 0]]],
    'quality off its scale' => ['rate', ['mode' => 'quality', 'quality' => 80]],
    'odd side' => ['frameSize', ['exact' => '641×480']],
    'no width' => ['frameSize', ['exact' => '0×480']],
    'a rate of nothing' => ['frameRate', ['exact' => '0']],
    'not a rate' => ['frameRate', ['exact' => 'fast']],
    'a codec from elsewhere' => ['picture', ['codec' => 'theora']],
    'a profile of another codec' => ['picture', ['codec' => 'h264', 'profile' => 'main10']],
    'a container from elsewhere' => ['container', ['set' => 'ogg']],
    'keyframes never' => ['keyframes', ['seconds' => 900]],
    'B-frames without end' => ['keyframes', ['bFrames' => 99]],
    'a sound codec from elsewhere' => ['sound', ['codec' => 'wma']],
]);

it('gives a plan or a stop for any preset, host, cut and change', function () {
    mt_srand(4);
    $pick = fn (array $from): mixed => $from[mt_rand(0, count($from) - 1)];
    for ($i = 0; $i < 400; $i++) {
        $probe = Probes::plain([
            'width' => mt_rand(16, 8192), 'height' => mt_rand(16, 4320), 'avg_frame_rate' => $pick(['15/1', '24000/1001', '25/1', '60000/1001', '240/1', '359/12']),
            'field_order' => $pick(['progressive', 'tt', 'bb']), 'pix_fmt' => $pick(['yuv420p', 'yuv422p10le', 'gbrp', 'yuva444p12le', 'pal8']),
            'color_transfer' => $pick(['bt709', 'smpte2084', null]), 'sample_aspect_ratio' => $pick(['1:1', '8:9', '64:45', '0:1']),
        ], $pick([[], [[]], [['channels' => 6, 'sample_rate' => '96000']]]));
        $edits = $pick([[], ['rate' => ['average' => ['kbps' => mt_rand(0, 400_000)]]], ['picture' => ['codec' => $pick(['h264', 'hevc', 'prores', 'ffv1'])]], ['frameSize' => ['exact' => mt_rand(1, 9000).'x'.mt_rand(1, 9000)]]]);
        $host = $pick([null, ...Desk::hosts()]);
        $plan = Desk::plan(Desk::reading($probe), $pick(Desk::presets()).($host === null ? '' : "@{$host}"), $edits);
        if (! $plan->isStopped()) {
            expect($plan->frameSize->frame->width % 2 + $plan->frameSize->frame->height % 2)->toBe(0)
                ->and($plan->container->container->videoCodecs())->toContain($plan->picture->codec->id())
                ->and($plan->picture->codec->rateModes())->toContain($plan->rate->mode)
                ->and(array_keys($plan->origins))->toHaveCount(8);
        }
    }
});
