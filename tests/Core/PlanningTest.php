<?php

use OuterCrate\Analysis\Bars;
use OuterCrate\Analysis\Found;
use OuterCrate\Analysis\FoundSound;
use OuterCrate\Encoding\Encoders;
use OuterCrate\Encoding\Filters\FilterChain;
use OuterCrate\Encoding\PassBuilder;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Formats\Catalogue;
use OuterCrate\Planning\OutputSpec;
use OuterCrate\Planning\Sheet\Cells;
use OuterCrate\Planning\Sheet\Planner;
use OuterCrate\Planning\Subject;
use OuterCrate\Presets\Rules;
use OuterCrate\Reading\ContentLight;
use OuterCrate\Units\FrameRange;
use Tests\Support\Desk;
use Tests\Support\Probes;

function labels($plan): array
{
    return array_map(fn (array $value): string => strtr($value['label'], ["\u{2009}" => ' ']), $plan->toArray()['values']);
}

it('decides master and upload of a 10-bit cut, each value with its origin', function () {
    $cut = Desk::reading(Probes::mezzanine(), 186_000_000);
    $columns = [Desk::column($cut, 'archive-10-bit'), Desk::column($cut, 'lanternwick-generous@lanternwick')];
    [$master, $upload] = [$columns[0]->plan, $columns[1]->plan];
    expect(labels($master))
        ->toBe([
            'container' => 'MOV',
            'video' => 'ProRes 422 HQ',
            'frameSize' => '1280×720',
            'frameRate' => '25',
            'bitrate' => 'set by codec',
            'keyframes' => 'every frame',
            'colour' => 'BT.709 · 10-bit 4:2:2',
            'audio' => 'PCM 24 · 48 kHz',
            'file' => 'cut master.mov',
        ])
        ->and(labels($upload))
        ->toBe([
            'container' => 'MP4 · fast start',
            'video' => 'H.264 High · 3.1',
            'frameSize' => '1280×720',
            'frameRate' => '25',
            'bitrate' => 'VBR, 2 passes · 9.9 ▸ 14.9 Mb/s over 1 s',
            'keyframes' => '2 s · closed · 2 B',
            'colour' => 'BT.709 · 8-bit 4:2:0',
            'audio' => 'AAC 320 kb/s · 48 kHz',
            'file' => 'cut Lanternwick.mp4',
        ])
        ->and(array_map(fn ($origin): string => $origin->source->value, $upload->origins))
        ->toBe([
            'container' => 'host',
            'video' => 'host',
            'frameSize' => 'cut',
            'frameRate' => 'cut',
            'bitrate' => 'host',
            'keyframes' => 'host',
            'colour' => 'host',
            'audio' => 'host',
            'file' => 'rule',
        ])
        ->and($upload->origins['bitrate']->text)
        ->toBe("asks 5.5\u{2009}Mb/s × 1.8")
        ->and(array_map(Desk::findings(...), $columns))
        ->toBe([[], []]);
});

it('decides by the cut', function (array $probe, string $output, string $cell, string $label, string $origin) {
    $plan = Desk::plan(Desk::reading($probe), $output);
    expect(labels($plan)[$cell])->toBe($label)->and(strtr($plan->origins[$cell]->text, ["\u{2009}" => ' ']))->toBe($origin);
})->with([
    'tape is squared and made progressive' => [
        Probes::tape(),
        'lanternwick-even@lanternwick',
        'frameSize',
        '640×480',
        'follows, square pixels',
    ],
    'fields are woven for an upload' => [
        Probes::tape(),
        'lanternwick-even@lanternwick',
        'frameRate',
        '29.97 · made progressive',
        'follows',
    ],
    'a vault keeps fields' => [Probes::tape(), 'lossless-vault', 'frameRate', '29.97 · interlaced', 'follows'],
    'a vault keeps pixels' => [Probes::tape(), 'lossless-vault', 'frameSize', '720×480 · 8:9 pixels', 'follows'],
    'SD keeps its colour' => [Probes::tape(), 'lanternwick-even@lanternwick', 'colour', 'BT.601 (525) · 8-bit 4:2:0', 'follows'],
    '15 fps are doubled in HD' => [
        Probes::plain(['width' => 1280, 'height' => 720, 'avg_frame_rate' => '15/1']),
        'lanternwick-even@lanternwick',
        'frameRate',
        '30',
        '15 × 2, asks ≥ 24',
    ],
    '15 fps stay below HD' => [Probes::plain(['avg_frame_rate' => '15/1']), 'lanternwick-even@lanternwick', 'frameRate', '15', 'follows'],
    '23.976 passes for 24' => [
        Probes::plain(['width' => 1280, 'height' => 720, 'avg_frame_rate' => '24000/1001']),
        'lanternwick-even@lanternwick',
        'frameRate',
        '23.976',
        'follows, asks ≥ 24',
    ],
    'high rates are asked more' => [
        Probes::plain(['width' => 1920, 'height' => 1080, 'avg_frame_rate' => '60000/1001']),
        'lanternwick-even@lanternwick',
        'bitrate',
        'VBR · 14 ▸ 21 Mb/s over 1 s',
        'asks 14 Mb/s',
    ],
    'Platen states a peak' => [
        Probes::plain(['width' => 1920, 'height' => 1080]),
        'platen-1080@platen',
        'bitrate',
        'VBR, 2 passes · 12 ▸ 22 Mb/s over 1 s',
        'asks 12 Mb/s',
    ],
    'a GOP stays closed where the host says nothing' => [
        Probes::plain(),
        'platen-1080@platen',
        'keyframes',
        '2 s · closed · 2 B',
        'preset',
    ],
    'HDR keeps ten bits in HEVC' => [Probes::hdr(), 'slow-line', 'colour', 'BT.2020 PQ · 10-bit 4:2:0 · HDR10', 'follows'],
    'HDR comes down for 8 bits' => [
        Probes::hdr(),
        'lanternwick-even@lanternwick',
        'colour',
        'BT.709 · 8-bit 4:2:0 · from HDR',
        '8 bits carry no HDR',
    ],
    'untagged HD is BT.709' => [
        Probes::plain(['width' => 1280, 'height' => 720, 'color_primaries' => 'unknown', 'color_transfer' => null, 'color_space' => null]),
        'lanternwick-even@lanternwick',
        'colour',
        'BT.709 · 8-bit 4:2:0',
        'cut not tagged',
    ],
    'untagged PAL is BT.601' => [
        Probes::plain(['width' => 720, 'height' => 576, 'color_primaries' => null, 'color_transfer' => null, 'color_space' => null]),
        'lossless-vault',
        'colour',
        'BT.601 (625) · 8-bit 4:2:0',
        'cut not tagged',
    ],
    'sound follows as losslessly as its box allows' => [
        Probes::plain(audio: [['channels' => 2]]),
        'sound-wav',
        'audio',
        'PCM 24 · 48 kHz',
        'preset',
    ],
    'no sound stays none' => [Probes::plain(audio: []), 'lanternwick-even@lanternwick', 'audio', 'none', 'the cut has none'],
    'an upright cut takes the bounds turned' => [
        Probes::plain(['width' => 2160, 'height' => 3840]),
        'platen-1080@platen',
        'frameSize',
        '1080×1920',
        'inside 1080×1920',
    ],
    'without a host to ask, what plain footage comes to' => [
        Probes::plain(['width' => 1280, 'height' => 720]),
        'lanternwick-even',
        'bitrate',
        'VBR · 2.53 ▸ 3.8 Mb/s over 1 s',
        'preset',
    ],
    'and never less than a picture can be told with' => [
        Probes::plain(['width' => 160, 'height' => 120]),
        'lanternwick-even',
        'bitrate',
        'VBR · 100 ▸ 150 kb/s over 1 s',
        'preset',
    ],
    'AAC takes at most 6 bits a sample and channel' => [
        Probes::plain(audio: [['channels' => 1]]),
        'slow-line',
        'audio',
        'AAC 160 kb/s · 48 kHz · mono',
        'preset',
    ],
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
    'cropped to an upright frame' => [
        ['width' => 1920, 'height' => 1080],
        ['exact' => '1080×1920', 'shape' => 'crop'],
        '1080×1920 · cropped',
        'scale=w=3414:h=1920:flags=lanczos+accurate_rnd+full_chroma_int,format=yuv420p,crop=1080:1920',
    ],
    'cropped to a square' => [
        ['width' => 1920, 'height' => 1080],
        ['exact' => '1080×1080', 'shape' => 'crop'],
        '1080×1080 · cropped',
        'crop=1080:1080',
    ],
    'cropped to its own shape' => [
        ['width' => 1920, 'height' => 1080],
        ['exact' => '1280×720', 'shape' => 'crop'],
        '1280×720',
        'scale=w=1280:h=720',
    ],
    'stretched' => [
        ['width' => 640, 'height' => 480],
        ['exact' => '1280×720', 'shape' => 'stretch'],
        '1280×720 · stretched',
        'scale=w=1280:h=720',
    ],
    'padded' => [['width' => 640, 'height' => 480], ['exact' => '1280×720'], '1280×720 · 960×720 inside', 'pad=1280:720'],
]);

it('goes a size up or down among those that hosts show', function (string $cut, ?string $up, ?string $down) {
    [$width, $height] = explode('×', $cut);
    $reading = Desk::reading(Probes::plain(['width' => (int) $width, 'height' => (int) $height]));
    $size = fn (int $step): string => (string) Desk::plan($reading, 'review-720', ['frameSize' => ['step' => $step]])->frameSize->frame;
    expect([$size(1), $size(-1), $size(0)])->toBe([$up ?? $cut, $down ?? $cut, $cut]);
})->with([
    ['320×180', '426×240', null],
    ['426×240', '640×360', null],
    ['640×360', '854×480', '426×240'],
    ['854×480', '1280×720', '640×360'],
    ['1280×720', '1920×1080', '854×480'],
    ['1920×1080', '2560×1440', '1280×720'],
    ['2560×1440', '3840×2160', '1920×1080'],
    ['3840×2160', '7680×4320', '2560×1440'],
    ['7680×4320', null, '3840×2160'],
    'upright' => ['1080×1920', '1440×2560', '720×1280'],
    'between two' => ['1600×900', '1920×1080', '1280×720'],
    '4:3' => ['640×480', '960×720', '480×360'],
]);

it('leaves black bars out that were found in the cut', function (array $probe, array $rule, array $bars, string $label, string $filters) {
    $reading = Desk::reading($probe);
    $column = Desk::column(
        $reading,
        'review-720',
        ['frameSize' => $rule + ['bars' => 'trim']],
        subject: new Subject($reading, found: new Found(bars: new Bars(...$bars))),
    );
    $plan = $column->plan;
    expect($plan->frameSize->label())
        ->toBe($label)
        ->and(FilterChain::of($plan, $reading))
        ->toContain($filters)
        ->and(Desk::findings($column))
        ->not->toContain('frame-enlarged')
        ->not->toContain('frame-reduced');
})->with([
    'a 4:3 picture in a wide frame' => [
        Probes::plain(['width' => 1280, 'height' => 720]),
        ['follow' => 'displayed'],
        [0, 0, 160, 160],
        '960×720 · bars left out',
        'crop=960:720:160:0,scale=w=960:h=720',
    ],
    'edges at odd places move inwards' => [
        Probes::plain(['width' => 1280, 'height' => 720]),
        ['follow' => 'displayed'],
        [61, 59, 3, 0],
        '1276×596 · bars left out',
        'crop=1276:596:4:64,',
    ],
    'and the rest fills a frame of its own shape' => [
        Probes::plain(['width' => 1280, 'height' => 720]),
        ['exact' => '640×480'],
        [0, 0, 160, 160],
        '640×480 · bars left out',
        'crop=960:720:160:0,scale=w=640:h=480',
    ],
    'a wide picture in a tape’s pixels' => [
        Probes::tape(),
        ['follow' => 'displayed'],
        [60, 60, 0, 0],
        '640×360 · bars left out',
        'crop=720:360:0:60,scale=w=640:h=360',
    ],
    'a cut that is turned' => [
        Probes::plain(['width' => 1280, 'height' => 720, 'side_data_list' => [['side_data_type' => 'Display Matrix', 'rotation' => -90]]]),
        ['follow' => 'displayed'],
        [280, 280, 0, 0],
        '720×720 · bars left out',
        'crop=720:720:0:280,',
    ],
    'nothing was found' => [
        Probes::plain(['width' => 1280, 'height' => 720]),
        ['follow' => 'displayed'],
        [0, 0, 0, 0],
        '1280×720',
        'scale=w=1280:h=720',
    ],
]);

it('decides frames per second, fields and the shape of discs', function (
    array $probe,
    string $output,
    array $edits,
    string $cell,
    string $label,
    string $filters,
    ?Found $found = null,
) {
    $reading = Desk::reading($probe);
    $plan = Desk::plan($reading, $output, $edits, subject: new Subject($reading, found: $found));
    expect(labels($plan)[$cell])->toBe($label)->and(FilterChain::of($plan, $reading))->toContain($filters);
})->with([
    'at least 24 of 15 is 30, never 24' => [
        Probes::plain(['avg_frame_rate' => '15/1']),
        'review-720',
        ['frameRate' => ['atLeast' => '24']],
        'frameRate',
        '30',
        'fps=fps=30',
    ],
    'at least 24 of 25 is 25' => [Probes::plain(), 'review-720', ['frameRate' => ['atLeast' => '24']], 'frameRate', '25', 'setsar'],
    'half of 59.94' => [
        Probes::plain(['avg_frame_rate' => '60000/1001']),
        'review-720',
        ['frameRate' => ['halve' => true]],
        'frameRate',
        '29.97',
        'fps=fps=30000/1001',
    ],
    'blended' => [
        Probes::plain(),
        'review-720',
        ['frameRate' => ['exact' => '30', 'by' => 'blend']],
        'frameRate',
        '30 · blended',
        'framerate=fps=30',
    ],
    'drawn along the motion' => [
        Probes::plain(),
        'review-720',
        ['frameRate' => ['exact' => '50', 'by' => 'motion']],
        'frameRate',
        '50 · drawn along the motion',
        'minterpolate=fps=50',
    ],
    'tape with lines to lose is interpolated' => [
        Probes::tape(),
        'review-720',
        [],
        'frameRate',
        '29.97 · made progressive',
        'bwdif',
        new Found(motion: [20.0], grain: 6.0),
    ],
    'calm and noisy tape is blended' => [
        Probes::tape(),
        'review-720',
        [],
        'frameRate',
        '29.97 · fields blended',
        'convolution=',
        new Found(motion: [3.0], grain: 6.0),
    ],
    'calm and noisy HD is not' => [
        Probes::plain(['width' => 1920, 'height' => 1080, 'field_order' => 'tt']),
        'review-720',
        [],
        'frameRate',
        '25 · made progressive',
        'bwdif',
        new Found(motion: [3.0], grain: 6.0),
    ],
    'fields are kept where that is asked' => [
        Probes::tape(),
        'review-720',
        ['frameRate' => ['fields' => 'keep']],
        'frameRate',
        '29.97 · interlaced',
        'setfield=tff',
    ],
    'fields that the file does not tell of' => [
        Probes::plain(),
        'review-720',
        ['frameRate' => ['source' => 'bff']],
        'frameRate',
        '25 · made progressive',
        'bwdif=mode=send_frame:parity=bff',
    ],
    'whole frames that the file calls fields' => [
        Probes::tape(),
        'review-720',
        ['frameRate' => ['source' => 'progressive']],
        'frameRate',
        '29.97',
        'scale=w=640',
    ],
    'HEVC makes no fields' => [
        Probes::tape(),
        'slow-line',
        ['frameRate' => ['fields' => 'keep']],
        'frameRate',
        '29.97 · made progressive',
        'bwdif',
    ],
    'a wide picture on a disc' => [
        Probes::plain(['width' => 1920, 'height' => 1080]),
        'review-720',
        ['frameSize' => ['exact' => '720×576', 'display' => 'nearest']],
        'frameSize',
        '720×576 · 64:45 pixels',
        'scale=w=720:h=576',
    ],
    'a 4:3 picture on a disc' => [
        Probes::plain(['width' => 640, 'height' => 480]),
        'review-720',
        ['frameSize' => ['exact' => '720×480', 'display' => 'nearest']],
        'frameSize',
        '720×480 · 8:9 pixels',
        'setsar=8/9',
    ],
    'an upright picture on a disc' => [
        Probes::plain(['width' => 720, 'height' => 1280]),
        'review-720',
        ['frameSize' => ['exact' => '720×576', 'display' => '16:9']],
        'frameSize',
        '720×576 · 64:45 pixels · 228×576 inside',
        'pad=720:576',
    ],
    'a 360 picture stays one' => [
        Probes::plain([
            'width' => 1920,
            'height' => 960,
            'side_data_list' => [['side_data_type' => 'Spherical Mapping', 'projection' => 'equirectangular']],
        ]),
        'orrery-360@orrery',
        [],
        'frameSize',
        '1920×960 · 360',
        'scale',
    ],
    'and is tagged where it was not' => [
        Probes::plain(['width' => 1920, 'height' => 960]),
        'review-720',
        ['frameSize' => ['projection' => 'equirectangular']],
        'frameSize',
        '1280×640 · 360',
        'scale',
    ],
]);

it('decides colour: tags, conversion, range, depth, gamma', function (
    array $probe,
    string $output,
    array $rule,
    string $label,
    string $filters,
) {
    $reading = Desk::reading($probe);
    $plan = Desk::plan($reading, $output, ['colour' => $rule]);
    expect(labels($plan)['colour'])->toBe($label)->and(FilterChain::of($plan, $reading))->toContain($filters);
})->with([
    'SD colour made HD colour' => [
        Probes::tape(),
        'review-720',
        ['convert' => 'bt709'],
        'BT.709 · 8-bit 4:2:0 · from BT.601 (525)',
        'zscale=primaries=bt709:transfer=bt709:matrix=bt709:range=tv',
    ],
    'the same space needs nothing' => [Probes::plain(), 'review-720', ['convert' => 'bt709'], 'BT.709 · 8-bit 4:2:0', 'setsar'],
    'a wrong tag is put right' => [
        Probes::plain(),
        'review-720',
        ['tag' => 'bt601-625'],
        'BT.601 (625) · 8-bit 4:2:0',
        'colorspace=bt470bg',
    ],
    'what the samples really are comes first' => [
        Probes::plain(),
        'review-720',
        ['tag' => 'bt601-625', 'convert' => 'bt709'],
        'BT.709 · 8-bit 4:2:0 · from BT.601 (625)',
        'setparams=color_primaries=bt470bg',
    ],
    'HDR comes down by rule' => [Probes::hdr(), 'slow-line', ['convert' => 'bt709'], 'BT.709 · 10-bit 4:2:0 · from HDR', 'tonemap'],
    'PQ becomes HLG' => [
        Probes::hdr(),
        'slow-line',
        ['convert' => 'bt2020-hlg'],
        'BT.2020 HLG · 10-bit 4:2:0 · from BT.2020 PQ',
        'transfer=arib-std-b67',
    ],
    'full range' => [Probes::plain(), 'review-720', ['range' => 'full'], 'BT.709 full · 8-bit 4:2:0', 'in_range=tv:out_range=pc'],
    'middle tones' => [Probes::plain(), 'review-720', ['gamma' => 1.1], 'BT.709 · 8-bit 4:2:0 · gamma 1.1', "lutyuv=y='minval+pow("],
    'fine gradients' => [Probes::mezzanine(), 'review-720', ['dither' => 'error-diffusion'], 'BT.709 · 8-bit 4:2:0', 'sws_dither=ed'],
    'no tags at all' => [Probes::plain(), 'review-720', ['tag' => 'none'], 'not tagged · 8-bit 4:2:0', 'setparams=range=tv'],
]);

it('carries HDR10 metadata into the stream, or what was measured', function () {
    $reading = Desk::reading(Probes::hdr());
    $arguments = fn (array $colour, ?Found $found = null): string => implode(
        ' ',
        (new PassBuilder(new Encoders))->passes(
            Desk::plan($reading, 'slow-line', ['colour' => $colour], subject: new Subject($reading, found: $found)),
            $reading,
        )[0]->arguments,
    );
    expect($arguments([]))
        ->toContain('master-display=G(')
        ->and($arguments(['hdr10' => 'measure'], new Found(light: new ContentLight(870, 120))))
        ->toContain('max-cll=870,120')
        ->and($arguments(['hdr10' => 'none']))
        ->not->toContain('master-display')
        ->and($arguments(['convert' => 'bt709']))
        ->not->toContain('master-display');
});

it('brings sound to a loudness by one gain, and limits only what would pass the ceiling', function (
    array $rule,
    Found $found,
    ?float $gain,
    bool $limits,
) {
    $reading = Desk::reading(Probes::plain());
    $plan = Desk::plan($reading, 'lanternwick-even@lanternwick', ['audio' => $rule], subject: new Subject($reading, found: $found));
    $arguments = implode(' ', (new PassBuilder(new Encoders))->passes($plan, $reading)[0]->arguments);
    expect([$plan->audio->levelling?->gain, $plan->audio->levelling?->limits()])
        ->toBe([$gain, $limits])
        ->and(str_contains($arguments, 'alimiter=limit=0.8810'))
        ->toBe($limits)
        ->and($plan->audio->codec->id())
        ->toBe('aac');
})->with([
    'quiet, with room' => [['loudness' => -16], new Found(new FoundSound(-23.0, -12.0)), 7.0, false],
    'quiet, with peaks' => [['loudness' => -14], new Found(new FoundSound(-23.0, -3.0)), 9.0, true],
    'loud' => [['loudness' => 'host'], new Found(new FoundSound(-9.0, 0.3)), -6.0, false],
    'not lifted without end' => [['loudness' => -14], new Found(new FoundSound(-60.0, -50.0)), 24.0, false],
]);

it('codes in a graphics chip where one works, in one pass and in its words', function (string $chip, string $output, array $wanted) {
    $reading = Desk::reading(Probes::plain(['width' => 1920, 'height' => 1080]));
    $plan = Desk::plan(
        $reading,
        $output,
        ['video' => ['codec' => str_starts_with($chip, 'h264') ? 'h264' : 'hevc', 'device' => 'hardware', 'effort' => 'slow']],
        subject: new Subject($reading, hardware: [$chip]),
    );
    $passes = (new PassBuilder(new Encoders))->passes($plan, $reading);
    expect($passes)->toHaveCount(1)->and($plan->video->label())->toContain('hardware');
    array_map(fn (string $part) => expect(implode(' ', $passes[0]->arguments))->toContain($part), $wanted);
})->with([
    [
        'h264_nvenc',
        'lanternwick-generous@lanternwick',
        ['-c:v h264_nvenc -preset p7 -profile:v high -rc vbr -b:v 16200000 -maxrate 24300000', '-g 50 -bf 2'],
    ],
    ['hevc_qsv', 'slow-line', ['-c:v hevc_qsv -preset veryslow', '-global_quality 24', '-tag:v hvc1']],
    ['h264_videotoolbox', 'lanternwick-even@lanternwick', ['-c:v h264_videotoolbox -profile:v high -b:v 9000000']],
]);

it('follows the sound as losslessly as its container can', function (string $container, string $codec) {
    $plan = Desk::plan(Desk::reading(Probes::mezzanine()), 'archive-10-bit', ['container' => ['set' => $container], 'audio' => 'follow']);
    expect($plan->audio->codec->id())->toBe($codec);
})->with([['mov', 'pcm'], ['matroska', 'pcm'], ['wav', 'pcm'], ['flac', 'flac'], ['m4a', 'alac'], ['mp3', 'mp3'], ['webm', 'opus']]);

it('keeps every track of a cut that has several', function () {
    $reading = Desk::reading(Probes::plain(audio: [['channels' => 2], ['channels' => 6], ['channels' => 1]]));
    $plan = Desk::plan($reading, 'lanternwick-even@lanternwick', ['audio' => ['as' => 'host', 'tracks' => 'all']]);
    expect(labels($plan)['audio'])
        ->toBe('AAC 320 kb/s · 48 kHz · 3 tracks')
        ->and(implode(' ', (new PassBuilder(new Encoders))->passes($plan, $reading)[0]->arguments))
        ->toContain('-map 0:1 -map 0:2 -map 0:3', '-ac:a:0 2 -ac:a:1 2 -ac:a:2 1')
        ->and(SizeEstimate::of($plan, $reading)->bytes)
        ->toBeGreaterThan(SizeEstimate::of(Desk::plan($reading, 'lanternwick-even@lanternwick'), $reading)->bytes);
});

it('turns a size, or a time to send it in, into the average that leads there', function (array $average, int $most) {
    $reading = Desk::reading(Probes::mezzanine(), 186_000_000);
    foreach (['lanternwick-generous@lanternwick', 'review-720', 'exchange-vc-3'] as $output) {
        $plan = Desk::plan($reading, $output, [
            'bitrate' => ['mode' => 'vbr', 'average' => $average],
            'video' => ['codec' => 'h264'],
            'container' => ['set' => 'mp4'],
            'audio' => ['codec' => 'aac', 'kbps' => 192],
        ]);
        $bytes = SizeEstimate::of($plan, $reading)->bytes;
        expect($bytes)->toBeLessThanOrEqual($most)->toBeGreaterThan((int) ($most * 0.97));
    }
})->with([
    'under 20 MB' => [['bytes' => 20_000_000], 20_000_000],
    'under 2 MB' => [['bytes' => 2_000_000], 2_000_000],
    'a minute at 5 Mb/s' => [['sendSeconds' => 60, 'lineKbps' => 5000], 36_057_692],
]);

it('promises a peak only where the encoder keeps it', function (string $codec, string $mode, ?int $peak) {
    $plan = Desk::plan(Desk::reading(Probes::plain()), 'review-720', [
        'video' => ['codec' => $codec],
        'bitrate' => ['mode' => $mode, 'average' => ['kbps' => 800], 'peak' => ['kbps' => 1_200]],
    ]);
    expect($plan->bitrate->peak?->inKilobits())->toBe($peak);
})->with([
    ['h264', 'quality', 1_200],
    ['h264', 'vbr', 1_200],
    ['hevc', 'quality', 1_200],
    ['vp9', 'quality', 1_200],
    ['mpeg2video', 'vbr', 1_200],
    ['mpeg2video', 'quality', null],
    ['av1', 'quality', null],
    ['av1', 'vbr', null],
    ['mjpeg', 'quality', null],
]);

it('keeps a size by two passes, unless one was chosen or is all there is', function (
    array $rate,
    array $picture,
    int $passes,
    float $share,
) {
    $reading = Desk::reading(
        Probes::plain(['width' => 1280, 'height' => 720, 'duration' => '60', 'nb_frames' => '1500'], format: ['duration' => '60']),
    );
    $plan = Desk::plan($reading, 'review-720', ['bitrate' => $rate + ['average' => ['bytes' => 20_000_000]], 'video' => $picture]);
    expect([$plan->bitrate->passes, $plan->bitrate->target])
        ->toBe([$passes, 20_000_000])
        ->and($plan->origins['bitrate']->text)
        ->toBe("under 20.0\u{2009}MB")
        ->and(SizeEstimate::of($plan, $reading)->bytes / 20_000_000)
        ->toEqualWithDelta($share, 0.01);
})->with([
    'nothing said' => [['mode' => 'vbr'], ['codec' => 'h264'], 2, 0.98],
    'one pass chosen' => [['mode' => 'vbr', 'passes' => 1], ['codec' => 'h264'], 1, 0.92],
    'an encoder without' => [['mode' => 'vbr'], ['codec' => 'av1'], 1, 0.92],
    'a constant rate' => [['mode' => 'cbr'], ['codec' => 'hevc'], 1, 0.98],
]);

it('leaves a quality and a peak behind that a preset meant for another codec or average', function () {
    $reading = Desk::reading(Probes::plain());
    expect(Desk::plan($reading, 'media-player-2160', ['video' => ['codec' => 'cfhd'], 'container' => ['set' => 'mov']])->bitrate->quality)
        ->toBe(3)
        ->and(
            Desk::plan($reading, 'review-720', [
                'bitrate' => ['mode' => 'vbr', 'average' => ['kbps' => 9000]],
            ])->bitrate->peak->inKilobits(),
        )
        ->toBe(13_500);
});

it('counts a target for the range that is delivered', function () {
    $reading = Desk::reading(Probes::mezzanine(), 186_000_000);
    $rate = fn (?FrameRange $range): int => (new Planner(new Catalogue, new Cells))
        ->plan(
            new Subject($reading),
            new OutputSpec(
                Desk::preset('lanternwick-generous'),
                null,
                new Rules(['bitrate' => ['average' => ['bytes' => 10_000_000]]]),
                $range,
            ),
        )
        ->bitrate->average->inKilobits();
    expect($rate(new FrameRange(0, 155)) / $rate(null))
        ->toBeGreaterThan(1.95)
        ->toBeLessThan(2.15);
});

it('takes bits for each pixel, a fixed level, references and a tune to the engine', function () {
    $reading = Desk::reading(Probes::plain(['width' => 1280, 'height' => 720]));
    $plan = Desk::plan($reading, 'lanternwick-even', [
        'bitrate' => ['average' => ['bitsPerPixel' => 0.2]],
        'video' => ['codec' => 'h264', 'level' => '4.2', 'tune' => 'grain'],
        'keyframes' => ['frames' => 33, 'references' => 3, 'sceneCuts' => false, 'bFrames' => 2],
    ]);
    expect($plan->bitrate->average->inKilobits())
        ->toBe(4608)
        ->and($plan->bitsPerPixel())
        ->toBe(0.2)
        ->and($plan->video->label())
        ->toBe('H.264 High · 4.2 · grain')
        ->and(implode(' ', (new PassBuilder(new Encoders))->passes($plan, $reading)[0]->arguments))
        ->toContain('-level:v 4.2', '-tune grain', '-refs 3', '-sc_threshold 0', '-g 33');
});

it('lays what you change over the preset and says so', function () {
    $plan = Desk::plan(Desk::reading(Probes::mezzanine()), 'lanternwick-generous@lanternwick', [
        'bitrate' => ['average' => ['kbps' => 8000]],
    ]);
    expect($plan->bitrate->average->inKilobits())
        ->toBe(8000)
        ->and($plan->bitrate->peak->inKilobits())
        ->toBe(12_000)
        ->and($plan->bitrate->passes)
        ->toBe(2)
        ->and($plan->origins['bitrate']->source->value)
        ->toBe('you');
});

it('keeps an impossible value from the engine, says why, and offers the way back', function (string $cell, mixed $rule) {
    $reading = Desk::reading(Probes::mezzanine());
    $column = Desk::column($reading, 'lanternwick-even@lanternwick', [$cell => $rule]);
    $finding = $column->findings[0];
    expect($column->isStopped())
        ->toBeTrue()
        ->and([$finding->id, $finding->cell])
        ->toBe(['impossible-value', $cell])
        ->and(Desk::column($reading, 'lanternwick-even@lanternwick', array_filter($finding->remedy->patch))->isStopped())
        ->toBeFalse();
})->with([
    'peak under average' => ['bitrate', ['average' => ['kbps' => 9000], 'peak' => ['kbps' => 5000]]],
    'no rate at all' => ['bitrate', ['average' => ['kbps' => 0]]],
    'quality off its scale' => ['bitrate', ['mode' => 'quality', 'quality' => 80]],
    'odd side' => ['frameSize', ['exact' => '641×480']],
    'no width' => ['frameSize', ['exact' => '0×480']],
    'a rate of nothing' => ['frameRate', ['exact' => '0']],
    'not a rate' => ['frameRate', ['exact' => 'fast']],
    'a codec from elsewhere' => ['video', ['codec' => 'theora']],
    'a profile of another codec' => ['video', ['codec' => 'h264', 'profile' => 'main10']],
    'a container from elsewhere' => ['container', ['set' => 'ogg']],
    'keyframes never' => ['keyframes', ['seconds' => 900]],
    'a level that is none' => ['video', ['codec' => 'h264', 'level' => '9.9']],
    'a size without room' => ['bitrate', ['average' => ['bytes' => 100_000]]],
    'no time to send' => ['bitrate', ['average' => ['sendSeconds' => 0.001, 'lineKbps' => 100]]],
    'references without end' => ['keyframes', ['references' => 99]],
    'B-frames without end' => ['keyframes', ['bFrames' => 99]],
    'a sound codec from elsewhere' => ['audio', ['codec' => 'wma']],
    'louder than anything' => ['audio', ['loudness' => 3]],
    'highlights from nowhere' => ['colour', ['convert' => 'bt2020-pq']],
    'gamma beyond use' => ['colour', ['gamma' => 9]],
]);

it('gives a plan or a stop for any preset, host, cut and change', function () {
    mt_srand(4);
    $pick = fn (array $from): mixed => $from[mt_rand(0, count($from) - 1)];
    for ($i = 0; $i < 400; $i++) {
        $probe = Probes::plain(
            [
                'width' => mt_rand(16, 8192),
                'height' => mt_rand(16, 4320),
                'avg_frame_rate' => $pick(['15/1', '24000/1001', '25/1', '60000/1001', '240/1', '359/12']),
                'field_order' => $pick(['progressive', 'tt', 'bb']),
                'pix_fmt' => $pick(['yuv420p', 'yuv422p10le', 'gbrp', 'yuva444p12le', 'pal8']),
                'color_transfer' => $pick(['bt709', 'smpte2084', null]),
                'sample_aspect_ratio' => $pick(['1:1', '8:9', '64:45', '0:1']),
            ],
            $pick([[], [[]], [['channels' => 6, 'sample_rate' => '96000']]]),
        );
        $edits = $pick([
            [],
            ['bitrate' => ['average' => ['kbps' => mt_rand(0, 400_000)]]],
            ['video' => ['codec' => $pick(array_keys((new Catalogue)->videoCodecs()))]],
            ['frameSize' => ['step' => mt_rand(-1, 1)]],
            ['frameSize' => ['exact' => '720x480', 'display' => 'nearest']],
            ['frameRate' => $pick([['halve' => true], ['atLeast' => '24'], ['fields' => 'keep'], ['exact' => '50', 'by' => 'motion']])],
            [
                'colour' => $pick([
                    ['convert' => 'bt709'],
                    ['convert' => 'bt2020-pq'],
                    ['tag' => 'bt601-625', 'range' => 'full'],
                    ['gamma' => 1.4, 'dither' => 'none'],
                ]),
            ],
            ['audio' => $pick([['tracks' => 'all'], ['channels' => 1], ['loudness' => -16]])],
            ['bitrate' => ['average' => ['bytes' => mt_rand(1000, 10_000_000)]]],
            ['container' => ['set' => $pick(array_keys((new Catalogue)->containers()))]],
            ['frameSize' => ['exact' => 2 * mt_rand(1, 2000).'x'. 2 * mt_rand(1, 2000), 'shape' => $pick(['crop', 'stretch', 'pad'])]],
            ['frameSize' => ['exact' => mt_rand(1, 9000).'x'.mt_rand(1, 9000)]],
        ]);
        $host = $pick([null, ...Desk::hosts()]);
        $column = Desk::column(Desk::reading($probe), $pick(Desk::presets()).($host === null ? '' : "@{$host}"), $edits);
        $plan = $column->plan;
        $stored = Desk::documents()->read(json_decode(json_encode(Desk::documents()->write($plan)), true), Desk::reading($probe));
        expect(json_encode(Desk::documents()->write($stored->plan)))->toBe(json_encode(Desk::documents()->write($plan)))
            ->and($stored->decidedNow)->toBe([]);
        if (! $column->isStopped()) {
            $frame = $plan->frameSize->frame;
            // Odd sides are kept where every pixel has its own chroma.
            expect(! $plan->colour->pixelFormat->chroma->pairsPixels() || $frame->equals($frame->even()))
                ->toBeTrue()
                ->and($plan->hasVideo() ? $plan->container->container->videoCodecs() : ['none'])
                ->toContain($plan->video->codec->id())
                ->and($plan->video->codec->rateModes())
                ->toContain($plan->bitrate->mode)
                ->and(array_keys($plan->origins))
                ->toHaveCount(9);
        }
    }
});

it('gives sound a sample rate that codec and container both carry', function (string $preset, array $edits, int $expected) {
    $cut = Desk::reading(Probes::plain(audio: [['sample_rate' => '44100']]));
    expect(Desk::plan($cut, $preset, $edits)->audio->sampleRate)->toBe($expected);
})->with([
    'either' => ['review-720', [], 44_100],
    'a codec that does not' => ['review-720', ['container' => ['set' => 'webm'], 'audio' => ['codec' => 'opus']], 48_000],
    'a container that does not' => ['exchange-vc-3', [], 48_000],
    'nor when asked' => ['exchange-vc-3', ['audio' => ['codec' => 'pcm', 'sampleRate' => 44_100]], 48_000],
]);

it('gives a plan or a stop for any cut, however odd', function (array $cut) {
    $reading = Desk::reading(Probes::plain($cut));
    foreach (Desk::presets() as $preset) {
        foreach ([null, ...Desk::hosts()] as $host) {
            $column = Desk::column($reading, $host === null ? $preset : "{$preset}@{$host}");
            expect($column->plan->frames)->toBeGreaterThan(0);
        }
    }
})->with([
    'very fast' => [['avg_frame_rate' => '1000/1', 'r_frame_rate' => '1000/1']],
    'very slow' => [['avg_frame_rate' => '1/100', 'r_frame_rate' => '1/100']],
    'no time scale' => [['time_base' => '1/0', 'avg_frame_rate' => '0/0', 'r_frame_rate' => '0/0']],
    'tiny' => [['width' => 2, 'height' => 2]],
    'vast' => [['width' => 16_000, 'height' => 16_000]],
]);

it('drops what a cell refuses step by step, and says it once', function () {
    $plan = Desk::plan(Desk::reading(Probes::plain()), 'review-720', ['audio' => ['codec' => 'smoke'], 'keyframes' => ['seconds' => 900]]);
    expect(array_map(fn ($refusal): array => [$refusal->cell, $refusal->yours], $plan->refused))
        ->toEqualCanonicalizing([['audio', true], ['keyframes', true]])
        ->and($plan->audio->codec?->id())
        ->toBe('aac');
});
