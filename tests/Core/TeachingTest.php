<?php

use OuterCrate\Formats\Video\Vp9;
use OuterCrate\Hosts\Recompression\Condition;
use OuterCrate\Hosts\Recompression\Recompression;
use OuterCrate\Hosts\Recompression\Rung;
use OuterCrate\Hosts\Recompression\Tier;
use OuterCrate\Hosts\Recompression\Upload;
use OuterCrate\Teaching\Borders;
use OuterCrate\Teaching\FitQuality;
use OuterCrate\Teaching\HeardSound;
use OuterCrate\Teaching\KeyframeDistance;
use OuterCrate\Teaching\LearntRung;
use OuterCrate\Teaching\LearntTier;
use OuterCrate\Teaching\Lesson;
use OuterCrate\Teaching\SeenRendition;
use OuterCrate\Teaching\TaughtTiers;
use OuterCrate\Transit\HoldRate;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\Fraction;
use OuterCrate\Units\FrameRate;
use OuterCrate\Units\FrameSize;

/** @param  array<int, int>  $ladder  kb/s by lines */
function lesson(int $lines, string $codec, array $ladder, string $rate = '25', bool $hdr = false, string $picture = 'kiln'): Lesson
{
    $size = fn (int $lines): FrameSize => new FrameSize(intdiv($lines * 16, 9), $lines);

    return new Lesson(
        "{$lines} at {$rate}.mp4",
        new Upload($size($lines), FrameRate::parse($rate), $hdr),
        $picture,
        array_map(
            fn (int $own): SeenRendition => new SeenRendition(
                "{$own}.mp4", $size($own), $codec, Bitrate::kilobits($ladder[$own]), new Fraction(4), $codec === 'h264' ? 2 : null,
            ),
            array_keys($ladder),
        ),
    );
}

/** @return list<string> who gets into each tier, with the codecs of its ladder and the lessons that show it */
function tiersTold(Borders $borders): array
{
    return array_map(fn (LearntTier $tier): string => (implode(' or ', array_map(
        fn (Condition $condition): string => $condition->words(),
        $tier->when,
    )) ?: 'the rest').": {$tier->codecs()} by ".implode(',', $tier->lessons), $borders->tiers);
}

it('tells what parts the tiers, and what would tell more', function (array $lessons, array $tiers, array $next, array $remarks = []) {
    $borders = Borders::of($lessons);
    $said = fn (array $sentences, array $wanted): bool => count($sentences) === count($wanted) &&
        array_filter($wanted, fn (string $words, int $i): bool => ! str_contains($sentences[$i], $words), ARRAY_FILTER_USE_BOTH) === [];
    expect(tiersTold($borders))->toBe($tiers)
        ->and($said($borders->next, $next))->toBeTrue(implode("\n", $borders->next))
        ->and($said($borders->remarks, $remarks))->toBeTrue(implode("\n", $borders->remarks));
})->with([
    'one upload' => [
        [lesson(1080, 'h264', [1080 => 2800, 720 => 1500])],
        ['the rest: H.264 by 0'],
        ['one size above 1080 lines'],
    ],
    'a taller one gets another codec' => [
        [lesson(1080, 'h264', [1080 => 2800, 720 => 1500]), lesson(1440, 'vp9', [1440 => 6500, 720 => 1500])],
        ['1440 lines or taller: VP9 by 1', 'the rest: H.264 by 0'],
        [],
    ],
    'sizes between are left open' => [
        [lesson(2160, 'vp9', [2160 => 12000, 720 => 1500]), lesson(720, 'h264', [720 => 1500])],
        ['2160 lines or taller: VP9 by 0', 'the rest: H.264 by 1'],
        ['above 720 and up to 2160 lines: send the same cut at 1440 lines'],
    ],
    'the same codec with more bits for the same cut' => [
        [lesson(1440, 'h264', [720 => 3000]), lesson(1080, 'h264', [720 => 1500])],
        ['1440 lines or taller: H.264 by 0', 'the rest: H.264 by 1'],
        [],
    ],
    'other bits for another cut are no tier' => [
        [lesson(1440, 'h264', [720 => 3000]), lesson(1080, 'h264', [720 => 1500], picture: 'street')],
        ['the rest: H.264 by 0,1'],
        ['All uploads were treated alike, up to 1440 lines.'],
    ],
    'uploads alike but for their content have a quality in common' => [
        [lesson(720, 'h264', [720 => 3000]), lesson(720, 'h264', [720 => 500])],
        ['the rest: H.264 by 0,1'],
        ['All uploads were treated alike'],
    ],
    'frame rate' => [
        [lesson(720, 'h264', [720 => 1500]), lesson(720, 'vp9', [720 => 1500], '50')],
        ['above 30 fps: VP9 by 1', 'the rest: H.264 by 0'],
        [],
    ],
    'lines and frame rate at once cannot be told apart' => [
        [lesson(720, 'h264', [720 => 1500]), lesson(1080, 'vp9', [720 => 1500], '50')],
        ['1080 lines or taller: VP9 by 1', 'the rest: H.264 by 0'],
        ['Being above 30 fps may be what counts, and not 1080 lines or taller'],
    ],
    'either of two lets an upload in' => [
        [lesson(1440, 'vp9', [720 => 1500]), lesson(720, 'vp9', [720 => 1500], '50'), lesson(1080, 'h264', [720 => 1500])],
        ['1440 lines or taller or above 30 fps: VP9 by 0,1', 'the rest: H.264 by 2'],
        [],
    ],
    'dynamic range' => [
        [lesson(720, 'h264', [720 => 1500]), lesson(720, 'vp9', [720 => 2500], hdr: true)],
        ['in HDR: VP9 by 1', 'the rest: H.264 by 0'],
        [],
    ],
    'three tiers' => [
        [lesson(720, 'h264', [480 => 800]), lesson(2160, 'av1', [480 => 500]), lesson(1440, 'vp9', [480 => 750])],
        ['2160 lines or taller: AV1 by 1', '1440 lines or taller: VP9 by 2', 'the rest: H.264 by 0'],
        ['send the same cut at 1080 lines'],
    ],
    'nothing known tells them apart' => [
        [lesson(720, 'h264', [720 => 1500]), lesson(720, 'vp9', [720 => 1500])],
        ['the rest: VP9 by 1'],
        [],
        ['neither lines, frame rate nor dynamic range'],
    ],
]);

it('takes what files say into a ladder, and what they do not say from what was known', function () {
    $known = new Recompression([
        new Tier('fine', [new Condition(shorterSide: 1440)], [
            new Rung(1440, 'vp9', Bitrate::kilobits(6500), null, new Fraction(5), 'slow'),
        ]),
        new Tier('basic', [], [
            new Rung(1080, 'h264', Bitrate::kilobits(2800), null, new Fraction(5), 'fast'),
            new Rung(720, 'h264', Bitrate::kilobits(1500), null, new Fraction(5), 'fast'),
        ]),
    ], null);
    $lessons = [lesson(720, 'h264', [720 => 2000, 480 => 900])];
    $taught = TaughtTiers::of($known, $lessons, Borders::of($lessons)->tiers, ['medium']);
    $rungs = fn (Tier $tier): array => array_map(
        fn (Rung $rung): string => "{$rung->shorterSide} {$rung->codec} {$rung->average} {$rung->speed} {$rung->keyframeSeconds}",
        $tier->ladder,
    );
    expect($taught->bordersHold)->toBeTrue()
        ->and($taught->tiers[0])->toBe($known->tiers[0])
        ->and($taught->tiers[1]->name)->toBe('basic')
        ->and($rungs($taught->tiers[1]))
        ->toBe(["1080 h264 2.8\u{2009}Mb/s fast 5", "720 h264 2\u{2009}Mb/s medium 4", "480 h264 900\u{2009}kb/s medium 4"])
        ->and($taught->rung(0, 720)?->bFrames)->toBe(2);

    // Two that the known border puts together, and the host did not: the border gives way.
    $lessons = [lesson(1080, 'vp9', [720 => 1500]), lesson(720, 'h264', [720 => 1500])];
    $taught = TaughtTiers::of($known, $lessons, Borders::of($lessons)->tiers, ['medium', 'medium']);
    expect($taught->bordersHold)->toBeFalse()
        ->and(array_map(fn (Tier $tier): array => $tier->toFile()['when'] ?? [], $taught->tiers))->toBe([[['shorterSide' => 1080]], []]);
});

it('takes the mean of rates that are alike, and the highest of those that are not', function (array $rates, bool $steady, int $kbps) {
    $of = fn (int $rate, int $i): Lesson => lesson(720, 'h264', [720 => $rate], picture: "cut {$i}");
    $lessons = array_map($of, $rates, array_keys($rates));
    $rung = Borders::of($lessons)->tiers[0]->ladder[0];
    expect($rung->isSteady())->toBe($steady)
        ->and($rung->average()->bitsPerSecond)->toBe($kbps * 1000)
        ->and($rung->withQuality(30)->rung('fast')->toFile())
        ->toBe(['shorterSide' => 720, 'codec' => 'h264', 'quality' => 30, 'keyframeSeconds' => 4.0, 'speed' => 'fast', 'bFrames' => 2]);
})->with([[[1500], true, 1500], [[1480, 1520], true, 1500], [[1500, 400], false, 1500]]);

it('says what is not plain about a rendition', function () {
    $seen = fn (int $kbps, ?Fraction $keyframes): SeenRendition => new SeenRendition(
        'one.mp4', new FrameSize(1280, 720), 'h264', Bitrate::kilobits($kbps), $keyframes,
    );
    $rung = fn (array $seen): LearntRung => new LearntRung(720, $seen);
    $apart = $rung([$seen(1500, new Fraction(2)), $seen(400, null)]);
    expect($rung([$seen(1500, new Fraction(2))])->remarks())->toBe([])
        ->and($rung([$seen(1500, null)])->remarks()[0])->toContain('no file is long enough')
        ->and($apart->remarks()[0])->toContain('the highest is taken')
        ->and($apart->withQuality(23)->remarks())->toHaveCount(1)
        ->and($apart->withQuality(23)->remarks()[0])->toContain('one quality behind them: 23')
        // What no file tells is taken from before, or from what is usual.
        ->and((string) $rung([$seen(1500, null)])->rung('fast')->keyframeSeconds)->toBe('5')
        ->and((string) $rung([$seen(1500, null)])
            ->rung('fast', new Rung(720, 'h264', null, 20, new Fraction(3), 'slow'))->keyframeSeconds)->toBe('3');
});

it('names new tiers by their codecs, and by number where those are one', function () {
    $named = fn (array $lessons): array => array_map(
        fn (Tier $tier): string => $tier->name,
        TaughtTiers::of(null, $lessons, Borders::of($lessons)->tiers, [])->tiers,
    );
    expect($named([lesson(1440, 'vp9', [720 => 1500]), lesson(720, 'h264', [720 => 1500])]))->toBe(['VP9', 'H.264'])
        ->and($named([lesson(1440, 'h264', [720 => 3000]), lesson(720, 'h264', [720 => 1500])]))->toBe(['H.264 1', 'H.264 2']);
});

it('takes the file with most bits of those that have the same lines', function () {
    $both = new Lesson('up.mp4', lesson(1080, 'h264', [720 => 1])->upload, 'kiln', [
        new SeenRendition('poor.mp4', new FrameSize(1280, 720), 'h264', Bitrate::kilobits(900)),
        new SeenRendition('good.mp4', new FrameSize(1280, 720), 'h264', Bitrate::kilobits(1500)),
    ]);
    expect(Borders::of([$both])->tiers[0]->ladder)->toHaveCount(1)
        ->and(Borders::of([$both])->tiers[0]->ladder[0]->average()->bitsPerSecond)->toBe(1_500_000);
});

it('finds the quality behind a rate in a few steps', function (int $hidden, float $halves) {
    $scale = (new Vp9)->quality();
    $comes = fn (int $quality): float => 1e6 * 2 ** (($scale->usual - $quality) / $halves);
    $tried = [];
    for ($next = $scale->usual; $next !== null; $next = FitQuality::next($scale, $tried, $comes($hidden))) {
        $tried[] = [$next, $comes($next)];
    }
    expect($tried[HoldRate::nearest($comes($hidden), $tried)][0])->toBe($hidden)->and(count($tried))->toBeLessThan(6);
})->with([[40, 6.0], [20, 9.0], [55, 12.0], [31, 4.0]]);

it('takes qualities for one that differ by no more than files miss their rates by', function () {
    $scale = (new Vp9)->quality();
    expect(FitQuality::common($scale, [33, 34]))->toBeIn([33, 34])->and(FitQuality::common($scale, [28, 38]))->toBeNull();
});

it('takes a group that ends a little early for the half second it falls short of', function (int $frames, string $rate, string $s) {
    expect((string) KeyframeDistance::of($frames, FrameRate::parse($rate)))->toBe($s);
})->with([
    [60, '30', '2'], [59, '30', '2'], [57, '30', '2'], [56, '30', '28/15'], [20, '25', '4/5'], [120, '60000/1001', '2'], [12, '25', '1/2'],
]);

it('tells the loudness that a host brings everything to', function (array $heard, ?string $known, ?string $target) {
    $levels = array_map(fn (array $one): HeardSound => new HeardSound(...$one), $heard);
    expect((string) HeardSound::target($levels, Fraction::tryParse($known)))->toBe((string) Fraction::tryParse($target));
})->with([
    'brought to a target' => [[[-23.0, -14.1]], null, '-14'],
    'left alone' => [[[-23.0, -23.1]], null, null],
    'as known' => [[[-15.2, -15.1]], '-15', '-15'],
    'two that come to the same' => [[[-23.0, -14.1], [-9.0, -13.9]], null, '-14'],
    'only one was turned down' => [[[-23.0, -23.0], [-9.0, -14.0]], null, null],
    'silent' => [[[null, null]], '-15', '-15'],
]);
