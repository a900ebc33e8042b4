<?php

use OuterCrate\Checks\CheckList;
use OuterCrate\Checks\Subject;
use OuterCrate\Encoding\Encoders;
use OuterCrate\Encoding\FilterChain;
use OuterCrate\Encoding\PassBuilder;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Formats\Catalogue;
use OuterCrate\Planning\Cell;
use OuterCrate\Planning\OutputSpec;
use OuterCrate\Planning\Planner;
use OuterCrate\Presets\Rules;
use OuterCrate\Units\FrameRange;
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
        'container' => 'host', 'picture' => 'host', 'frameSize' => 'cut', 'frameRate' => 'cut', 'rate' => 'host', 'keyframes' => 'host', 'colour' => 'host', 'sound' => 'host',
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

it('decides sizes by step, by cropping and by stretching', function (array $video, array $rule, string $label, string $filters) {
    $reading = Desk::reading(Probes::plain($video));
    $plan = Desk::plan($reading, 'lanternwick-even', ['frameSize' => $rule]);
    expect($plan->frameSize->label())->toBe($label)->and(FilterChain::of($plan, $reading))->toContain($filters);
})->with([
    'one size up' => [['width' => 1920, 'height' => 1080], ['step' => 1], '2560×1440', 'scale=w=2560:h=1440'],
    'one size up from between two' => [['width' => 1600, 'height' => 900], ['step' => 1], '1920×1080', 'scale=w=1920:h=1080'],
    'one size down' => [['width' => 1920, 'height' => 1080], ['step' => -1], '1280×720', 'scale=w=1280:h=720'],
    'an upright picture goes up by its width' => [['width' => 720, 'height' => 1280], ['step' => 1], '1080×1920', 'scale=w=1080:h=1920'],
    'nothing above the largest' => [['width' => 7680, 'height' => 4320], ['step' => 1], '7680×4320', 'scale=w=7680:h=4320'],
    'cropped to an upright frame' => [['width' => 1920, 'height' => 1080], ['exact' => '1080×1920', 'shape' => 'crop'], '1080×1920 · cropped', 'scale=w=3414:h=1920:flags=lanczos+accurate_rnd+full_chroma_int,format=yuv420p,crop=1080:1920'],
    'cropped to a square' => [['width' => 1920, 'height' => 1080], ['exact' => '1080×1080', 'shape' => 'crop'], '1080×1080 · cropped', 'crop=1080:1080'],
    'cropped to its own shape' => [['width' => 1920, 'height' => 1080], ['exact' => '1280×720', 'shape' => 'crop'], '1280×720', 'scale=w=1280:h=720'],
    'stretched' => [['width' => 640, 'height' => 480], ['exact' => '1280×720', 'shape' => 'stretch'], '1280×720 · stretched', 'scale=w=1280:h=720'],
    'padded' => [['width' => 640, 'height' => 480], ['exact' => '1280×720'], '1280×720 · 960×720 inside', 'pad=1280:720'],
]);

it('turns a size, or a time to send it in, into the average that leads there', function (array $average, int $most) {
    $reading = Desk::reading(Probes::mezzanine(), 186_000_000);
    foreach (['lanternwick-generous@lanternwick', 'review-720', 'exchange-vc-3'] as $output) {
        $plan = Desk::plan($reading, $output, ['rate' => ['mode' => 'vbr', 'average' => $average], 'picture' => ['codec' => 'h264'], 'container' => ['set' => 'mp4'], 'sound' => ['codec' => 'aac', 'kbps' => 192]]);
        $bytes = SizeEstimate::of($plan, $reading)->bytes;
        expect($bytes)->toBeLessThanOrEqual($most)->toBeGreaterThan((int) ($most * 0.97));
    }
})->with([
    'under 20 MB' => [['bytes' => 20_000_000], 20_000_000],
    'under 2 MB' => [['bytes' => 2_000_000], 2_000_000],
    'a minute at 5 Mb/s' => [['sendSeconds' => 60, 'lineKbps' => 5000], 36_057_692],
]);

it('leaves a quality and a peak behind that a preset meant for another codec or average', function () {
    $reading = Desk::reading(Probes::plain());
    expect(Desk::plan($reading, 'media-player-2160', ['picture' => ['codec' => 'cfhd'], 'container' => ['set' => 'mov']])->rate->quality)->toBe(3)
        ->and(Desk::plan($reading, 'review-720', ['rate' => ['mode' => 'vbr', 'average' => ['kbps' => 9000]]])->rate->peak->inKilobits())->toBe(13_500);
});

it('counts a target for the range that is delivered', function () {
    $reading = Desk::reading(Probes::mezzanine(), 186_000_000);
    $rate = fn (?FrameRange $range): int => (new Planner(new Catalogue, new CheckList(new Encoders)))->plan(new Subject($reading), new OutputSpec(Desk::preset('lanternwick-generous'), null, new Rules(['rate' => ['average' => ['bytes' => 10_000_000]]]), $range))->rate->average->inKilobits();
    expect($rate(new FrameRange(0, 155)) / $rate(null))->toBeGreaterThan(1.95)->toBeLessThan(2.15);
});

it('takes bits for each pixel, a fixed level, references and a tune to the engine', function () {
    $reading = Desk::reading(Probes::plain(['width' => 1280, 'height' => 720]));
    $plan = Desk::plan($reading, 'lanternwick-even', [
        'rate' => ['average' => ['bitsPerPixel' => 0.2]], 'picture' => ['codec' => 'h264', 'level' => '4.2', 'tune' => 'grain'],
        'keyframes' => ['frames' => 33, 'references' => 3, 'sceneCuts' => false, 'bFrames' => 2],
    ]);
    expect($plan->rate->average->inKilobits())->toBe(4608)->and($plan->bitsPerPixel())->toBe(0.2)->and($plan->picture->label())->toBe('H.264 High · 4.2 · grain')
        ->and(implode(' ', (new PassBuilder(new Encoders))->passes($plan, $reading)[0]->arguments))->toContain('-level:v 4.2', '-tune grain', '-refs 3', '-sc_threshold 0', '-g 33');
});

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
    'a level that is none' => ['picture', ['codec' => 'h264', 'level' => '9.9']],
    'a size without room' => ['rate', ['average' => ['bytes' => 100_000]]],
    'no time to send' => ['rate', ['average' => ['sendSeconds' => 0.001, 'lineKbps' => 100]]],
    'references without end' => ['keyframes', ['references' => 99]],
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
        $edits = $pick([[], ['rate' => ['average' => ['kbps' => mt_rand(0, 400_000)]]], ['picture' => ['codec' => $pick(array_keys((new Catalogue)->videoCodecs()))]], ['frameSize' => ['step' => mt_rand(-1, 1)]], ['rate' => ['average' => ['bytes' => mt_rand(1000, 10_000_000)]]], ['container' => ['set' => $pick(array_keys((new Catalogue)->containers()))]], ['frameSize' => ['exact' => (2 * mt_rand(1, 2000)).'x'.(2 * mt_rand(1, 2000)), 'shape' => $pick(['crop', 'stretch', 'pad'])]], ['frameSize' => ['exact' => mt_rand(1, 9000).'x'.mt_rand(1, 9000)]]]);
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
