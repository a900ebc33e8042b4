<?php

use OuterCrate\Analysis\FoundSound;
use OuterCrate\Encoding\BufferLevel;
use OuterCrate\Encoding\Commands\ReelCommand;
use OuterCrate\Formats\Picture\BitrateMode;
use OuterCrate\Hosts\Recompression\Rung;
use OuterCrate\Planning\Values\BitrateValue;
use OuterCrate\Planning\Values\Levelling;
use OuterCrate\Reading\SoundLevel;
use OuterCrate\Transit\Alike;
use OuterCrate\Transit\AsRendition;
use OuterCrate\Transit\Candidate;
use OuterCrate\Transit\ChoosePieces;
use OuterCrate\Transit\Course;
use OuterCrate\Transit\Edge;
use OuterCrate\Transit\FirstPass;
use OuterCrate\Transit\Gain;
use OuterCrate\Transit\Grid;
use OuterCrate\Transit\HeardParts;
use OuterCrate\Transit\HoldRate;
use OuterCrate\Transit\Outcome;
use OuterCrate\Transit\Recommendation;
use OuterCrate\Transit\ReelOrder;
use OuterCrate\Transit\Routes;
use OuterCrate\Transit\Screen;
use OuterCrate\Transit\SoundAfter;
use OuterCrate\Transit\SoundSpans;
use OuterCrate\Transit\TestPiece;
use OuterCrate\Transit\TimesTheSize;
use OuterCrate\Transit\Weights;
use OuterCrate\Transit\WholeRate;
use OuterCrate\Transit\Why;
use OuterCrate\Transit\Windows;
use OuterCrate\Transit\WorstFrames;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\Fraction;
use OuterCrate\Units\FrameRange;
use OuterCrate\Units\FrameSize;
use Tests\Support\Desk;
use Tests\Support\Probes;

/** @param  list<float>  $effort  by second */
function course(array $effort, array $movement = [], array $gradient = [], array $grain = []): Course
{
    $flat = array_fill(0, count($effort), 1.0);

    return new Course(25, $effort, $movement ?: $flat, $gradient ?: $flat, $grain ?: $flat);
}

/** @return list<string> */
function chosen(array $pieces): array
{
    return array_map(fn (TestPiece $piece): string => intdiv($piece->frames->first, 25)." {$piece->why->value}", $pieces);
}

function outcome(string $name, int $megabytes, array $decibels, float $sampled = 0): Outcome
{
    $ssim = array_map(fn (float $db): float => 1 - 10 ** (-$db / 10), $decibels);

    return new Outcome($name, $megabytes * 1_000_000, 60, $megabytes, $ssim, array_fill(0, count($ssim), 1 / count($ssim)), $sampled);
}

it('takes a short range whole, piece after piece', function () {
    $pieces = ChoosePieces::of(new FrameRange(10, 10 + 7 * 25 - 1), null, 25);

    expect(array_map(fn (TestPiece $p): array => [$p->frames->first, $p->frames->last], $pieces))->toBe([[10, 59], [60, 109], [110, 184]])
        ->and(array_sum(array_map(fn (TestPiece $p): float => $p->share, $pieces)))->toEqualWithDelta(1.0, 1e-9)
        ->and($pieces[0]->why)->toBe(Why::Whole)
        ->and(ChoosePieces::of(new FrameRange(3, 9), null, 25))->toHaveCount(1);
});

it('varies a column by every combination, and leaves what it does not vary', function () {
    $edits = ['colour' => ['dither' => 'error-diffusion'], 'bitrate' => ['average' => ['kbps' => 4_000]]];
    $plan = Desk::plan(Desk::reading(Probes::mezzanine()), 'lanternwick-even@lanternwick', $edits);
    $grid = new Grid([0.5, 1.0], [0, 1], codecs: ['h264'], depths: [8], lifts: [1.0, 1.1]);
    $candidates = $grid->around($plan);
    expect($candidates)->toHaveCount(8)
        ->and(array_unique(array_column($candidates, 'name')))->toHaveCount(8)
        ->and($candidates[0]['edits']['colour'])->toBe(['bitDepth' => 8, 'dither' => 'error-diffusion'])
        ->and($candidates[7]['name'])->toBe("4\u{2009}Mb/s, one size up, H264, 8-bit, lift 1.1")
        ->and($candidates[7]['edits']['colour'])->toEqual(['bitDepth' => 8, 'gamma' => 1.1, 'dither' => 'error-diffusion'])
        ->and($candidates[7]['edits']['frameSize'])->toBe(['step' => 1])
        ->and($candidates[0]['edits']['bitrate']['average'])->toEqual(['kbps' => 2_000]);
    foreach ($candidates as $candidate) {
        expect(Desk::fits($candidate['edits']))->toBeTrue();
    }
});

it('makes a column quickly or carefully, with a word of its rule kept', function () {
    $plan = Desk::plan(Desk::reading(Probes::mezzanine()), 'lanternwick-even@lanternwick', ['video' => 'host']);
    expect(Routes::Fast->edits($plan))->toEqual(['video' => ['effort' => 'fast', 'as' => 'host'], 'bitrate' => ['passes' => 1]])
        ->and(Routes::Master->edits($plan))->toEqual(['video' => ['effort' => 'slow', 'as' => 'host'], 'bitrate' => ['passes' => 2]])
        ->and(array_filter(Routes::cases(), fn (Routes $route): bool => $route->isViaMaster()))->toBe([2 => Routes::Master]);
});

it('lets a piece of each class stand for it, and takes the worst places with them', function () {
    // A minute of calm, a minute of bustle; at 30 s it moves most, at 90 s there is a dark sky, at 100 s most to code.
    $effort = [...array_fill(0, 60, 100.0), ...array_fill(0, 60, 1000.0)];
    $effort[100] = $effort[101] = 3000.0;
    $movement = array_fill(0, 120, 5.0);
    $movement[30] = $movement[31] = 50.0;
    $gradient = array_fill(0, 120, 0.01);
    $gradient[90] = $gradient[91] = 0.6;
    $pieces = ChoosePieces::of(FrameRange::whole(120 * 25), course($effort, $movement, $gradient), 25, 2);

    expect(chosen($pieces))->toContain('30 fastest', '90 gradient', '100 busiest')
        ->and(array_sum(array_map(fn (TestPiece $p): float => $p->share, $pieces)))->toEqualWithDelta(1.0, 1e-9);
    // The more one stands for, the longer it is, worst or not; none is longer than a second, nor shorter than a third.
    foreach ($pieces as $piece) {
        expect($piece->frames->count())->toBe((int) round(25 * max(0.32, min(1.0, 3 * $piece->share))));
    }
    // Of what is most to code there are two seconds in a row; calm and bustle go on for a minute, up to it and after it.
    $runs = array_map(fn (TestPiece $p): int => intdiv($p->run, 25), array_filter($pieces, fn (TestPiece $p): bool => $p->effort > 500));
    expect(array_unique(array_values($runs)))->toEqualCanonicalizing([60, 2]);
    // Weighed, the pieces come to what there is to code in the whole.
    $whole = array_sum($effort) / 120;
    $told = array_sum(array_map(
        fn (TestPiece $p): float => $p->share * $p->weight * $effort[intdiv($p->frames->first, 25)],
        $pieces,
    ));
    expect($told)->toEqualWithDelta($whole, 1e-6);
});

it('takes longer pieces of large pictures, where what does not shrink with them is little', function () {
    expect(ChoosePieces::length(640 * 360, 25))->toBe(25)
        ->and(ChoosePieces::length(1280 * 720 - 1, 30))->toBe(30)
        ->and(ChoosePieces::length(1280 * 720, 25))->toBe(33)
        ->and(ChoosePieces::length(3840 * 2160, 60))->toBe(78);
    $pieces = ChoosePieces::of(FrameRange::whole(120 * 25), null, 25, 4, ChoosePieces::length(1280 * 720, 25));
    expect(array_map(fn (TestPiece $p): int => $p->frames->count(), $pieces))->each->toBe(33)
        ->and(array_sum(array_map(fn (TestPiece $p): float => $p->share, $pieces)))->toEqualWithDelta(1.0, 1e-9);
});

it('has every scene stand for itself, however long it is', function () {
    // Five scenes of a minute, two of which are as costly to code and move differently.
    $scenes = [[12, 900.0, 3.0], [5, 50.0, 1.0], [20, 400.0, 12.0], [8, 3000.0, 8.0], [15, 900.0, 20.0]];
    $effort = array_merge(...array_map(fn (array $scene): array => array_fill(0, $scene[0], $scene[1]), $scenes));
    $movement = array_merge(...array_map(fn (array $scene): array => array_fill(0, $scene[0], $scene[2]), $scenes));
    $ends = [12, 17, 37, 45, 60];
    $shares = array_fill(0, 5, 0.0);
    foreach (ChoosePieces::of(FrameRange::whole(60 * 25), course($effort, $movement), 25) as $piece) {
        $scene = count(array_filter($ends, fn (int $end): bool => $end * 25 <= $piece->frames->first));
        $shares[$scene] += $piece->share;
    }
    foreach ($scenes as $i => [$seconds]) {
        // A piece that lies across a cut is of either scene.
        expect(abs($shares[$i] - $seconds / 60))->toBeLessThan(0.02);
    }
});

it('puts places together that are alike, and lets fixed ones stand for themselves', function () {
    // Three heaps on a line, the third of one place alone.
    $places = [[0.0], [0.2], [0.1], [5.0], [5.4], [5.2], [20.0]];
    expect(Alike::groups($places, [], 3))->toBe([2 => [0, 1, 2], 5 => [3, 4, 5], 6 => [6]])
        // A fixed one stays a centre, though it lies in the middle of nothing.
        ->and(array_keys(Alike::groups($places, [0], 2)))->toContain(0)
        ->and(Alike::groups($places, [6], 2)[6])->toBe([6])
        // More groups than there are unlike places: one for each.
        ->and(Alike::groups([[1.0], [1.0], [2.0]], [], 5))->toHaveCount(2)
        ->and(Alike::groups([[0.0]], [], 3))->toBe([0 => [0]]);
});

it('says how large one file is beside another', function (int $bytes, int $other, string $words) {
    expect(TimesTheSize::of($bytes, $other))->toBe($words);
})->with([
    [210, 100, 'for 2.1 × the size'],
    [50, 100, 'for 0.50 × the size'],
    [101, 100, 'for the same size'],
    [99, 100, 'for the same size'],
    [5, 0, 'for 5.0 × the size'],
]);

it('keeps to a range, and needs no analysis', function () {
    $pieces = ChoosePieces::of(new FrameRange(1000, 3999), null, 25, 4);
    $firsts = array_map(fn (TestPiece $p): int => $p->frames->first, $pieces);

    expect($pieces)->toHaveCount(4)
        ->and($firsts)->toBe(collect($firsts)->sort()->values()->all())
        ->and($firsts[0])->toBeGreaterThanOrEqual(1000)
        ->and(array_map(fn (TestPiece $p): int => $p->frames->count(), $pieces))->toBe([25, 25, 25, 25])
        ->and(ReelOrder::of($pieces, 25))->toBe($pieces)
        ->and($pieces[3]->frames->last)->toBeLessThanOrEqual(3999);
});

it('takes a few seconds, of an hour as of a minute', function (int $seconds, int $pieces, int $least) {
    $chosen = ChoosePieces::of(new FrameRange(0, 25 * $seconds - 1), null, 25, $pieces);
    expect(array_sum(array_map(fn (TestPiece $p): int => $p->frames->count(), $chosen)))
        ->toBeLessThanOrEqual(25 * max($pieces, $seconds < 10 ? $seconds : 0))
        ->toBeGreaterThanOrEqual($least);
})->with([[8, 6, 200], [8, 2, 50], [60, 6, 130], [600, 6, 130], [3600, 6, 130], [3600, 24, 500]]);

it('lays pieces so that a decoder’s buffer is as full for each as in the cut', function () {
    $piece = fn (int $first, float $effort, int $seconds): TestPiece => new TestPiece(
        new FrameRange($first, $first + 24), 0.2, 1.0, Why::Typical, $effort, 25 * $seconds,
    );
    $pieces = [$piece(0, 10.0, 12), $piece(400, 900.0, 1), $piece(800, 500.0, 20), $piece(1200, 20.0, 1), $piece(1400, 700.0, 3)];
    $order = ReelOrder::of($pieces, 25);

    // What is busy for long lies together, without a calm piece that would fill the buffer again; a moment comes after calm ones.
    expect(array_map(fn (TestPiece $p): int => $p->frames->first, $order))->toBe([1400, 800, 0, 1200, 400])
        ->and(BufferLevel::told(['-maxrate', '900', '-bufsize', '2000'], 0.3))
        ->toBe(['-maxrate', '900', '-bufsize', '2000', '-rc_init_occupancy', '600'])
        ->and(BufferLevel::told(['-maxrate', '900', '-bufsize', '2000'], null))->toBe(['-maxrate', '900', '-bufsize', '2000'])
        ->and(BufferLevel::told(['-crf', '20'], 0.3))->toBe(['-crf', '20']);
});

it('leaves the less of a decoder’s buffer, the further above the peak the busiest piece would lie', function () {
    $piece = fn (float $effort, int $frames, float $share): TestPiece => new TestPiece(
        new FrameRange(0, 24), $share, 1.0, Why::Typical, $effort, $frames,
    );
    // A hundred times as much to code is some 25 times the bits: nearly all of them lie in a tenth of the cut, nine times the average.
    $pieces = [$piece(10_000, 200, 0.1), $piece(100, 1200, 0.9)];
    $peakOf = fn (int $peak): BitrateValue => new BitrateValue(BitrateMode::Vbr, 2, new Bitrate(1000), new Bitrate($peak));
    $left = fn (int $peak): ?float => ReelOrder::left($pieces, 25, $peakOf($peak));

    expect(HoldRate::timesTheAverage($pieces[0], $pieces))->toEqualWithDelta(25.119 / (2.5119 + 0.9), 0.001)
        ->and($left(20_000))->toBe(0.45)
        ->and($left(3_681))->toEqualWithDelta(0.45 - 0.26 * (2.0 - 1.35), 0.001)
        ->and($left(1_500))->toBe(0.15)
        // One that is busy for two seconds begins as any file does.
        ->and(ReelOrder::left([$piece(10_000, 50, 0.1), $pieces[1]], 25, $peakOf(1500)))->toBeNull()
        ->and(ReelOrder::left([], 25, $peakOf(1500)))->toBeNull()
        // A constant rate is its own peak; what a quality takes of one is not known; without one there is no buffer.
        ->and(ReelOrder::left($pieces, 25, new BitrateValue(BitrateMode::Cbr, 1, new Bitrate(1000))))->toBe(0.15)
        ->and(ReelOrder::left($pieces, 25, new BitrateValue(BitrateMode::Quality, 1, null, new Bitrate(1500), 20)))->toBe(0.45)
        ->and(ReelOrder::left($pieces, 25, new BitrateValue(BitrateMode::Quality, 1, quality: 20)))->toBeNull();
});

it('holds pieces to the rate of the whole in a few tries', function (Closure $comes, float $wanted, int $most) {
    $tried = [];
    for ($asked = $wanted; $asked !== null; $asked = HoldRate::next($wanted, $tried)) {
        $tried[] = [$asked, $comes($asked), $asked];
    }

    expect(count($tried))->toBeLessThanOrEqual($most)
        ->and(abs($tried[HoldRate::nearest($wanted, $tried)][1] / $wanted - 1))->toBeLessThan(HoldRate::NEAR);
})->with([
    'pieces like the whole' => [fn (float $asked): float => $asked, 5e6, 1],
    'pieces twice as busy' => [fn (float $asked): float => $asked / 2, 5e6, 2],
    'pieces that cost more than they are given' => [fn (float $asked): float => 1.7 * $asked, 5e6, 3],
    'a bent curve' => [fn (float $asked): float => 3 * $asked ** 0.9, 5e6, 3],
    // Too much at once and too little before: what lies between is asked next, not the first again.
    'a steep curve' => [fn (float $asked): float => 5e6 * ($asked / 4.7e6) ** 2.3, 5e6, 3],
]);

it('counts keyframes as often as the whole has them, and one where it is shorter than they are apart', function (
    Why $why,
    int $frames,
    float $perFrame,
) {
    $pieces = [new TestPiece(new FrameRange(0, $frames - 1), 1.0, 1.0, $why)];
    $came = array_map(fn (int $frame): array => [0, $frame === 0 ? 5_000 : 1_000, $frame === 0], range(0, $frames - 1));

    expect((new WholeRate($pieces, 50, 25.0))->of($came))->toEqualWithDelta(8 * 25 * $perFrame, 1e-6);
})->with([
    'a piece of a longer cut' => [Why::Typical, 10, (5_000 + 49 * 1_000) / 50],
    'all of a short cut' => [Why::Whole, 10, (5_000 + 9 * 1_000) / 10],
    'all of a cut that is as long' => [Why::Whole, 50, (5_000 + 49 * 1_000) / 50],
]);

it('knows the size of an upload by its pieces, where no average is kept', function (
    array $bitrate,
    float $came,
    bool $sampled,
    ?float $bits,
    Why $why = Why::Typical,
) {
    $reading = Desk::reading(Probes::mezzanine());
    $plan = Desk::plan($reading, 'lossless-vault', [
        'video' => ['codec' => 'h264'], 'container' => ['set' => 'mp4'], 'audio' => ['codec' => 'aac'], 'colour' => ['bitDepth' => 8],
        'bitrate' => $bitrate,
    ]);
    $candidate = new Candidate('one', $plan, 1_000_000, 3.0, 8.0, sampled: $sampled);
    $sized = $candidate->comingTo($came, [new TestPiece(new FrameRange(0, 99), 1.0, 1.0, $why)], $reading);

    if ($bits === null) {
        expect($sized)->toBe($candidate);

        return;
    }
    // Tables of the container take a few bytes for each frame and for what stands beside it of the sound.
    $media = ($bits + $plan->audio->bitsPerSecond()) / 8 * $plan->duration->toFloat();
    expect($sized->bytes - $media)->toBeGreaterThan(0)->toBeLessThan(64 * $plan->frames)
        ->and($sized->sending)->toEqualWithDelta(8.0 * $sized->bytes / 1_000_000, 1e-9)
        ->and([$sized->name, $sized->plan, $sized->making])->toBe(['one', $plan, 3.0]);
})->with([
    'a quality takes what the picture needs' => [['mode' => 'quality', 'quality' => 20], 7e6, false, 7e6],
    'a quality whose pieces were encoded before' => [['mode' => 'quality', 'quality' => 20], 7e6, true, null],
    'a quality whose pieces a person chose' => [['mode' => 'quality', 'quality' => 20], 7e6, false, null, Why::Chosen],
    'an average that is kept' => [['mode' => 'vbr', 'passes' => 2, 'average' => ['kbps' => 6000]], 5.3e6, false, null],
    'an average that comes over' => [['mode' => 'vbr', 'passes' => 2, 'average' => ['kbps' => 6000]], 7e6, false, null],
    'an average that is not used up' => [['mode' => 'vbr', 'passes' => 2, 'average' => ['kbps' => 6000]], 5.2e6, false, 5.2e6],
    'a constant rate is filled up' => [['mode' => 'cbr', 'average' => ['kbps' => 6000]], 3e6, false, 6e6],
]);

it('asks no second time for an upload that is near enough for what its host makes of it', function (
    ?int $wanted,
    array $passedOn,
    float $came,
    bool $isEnough,
) {
    $near = HoldRate::nearOf(
        $wanted === null ? null : new Bitrate($wanted),
        array_map(fn (?int $rate): ?Bitrate => $rate === null ? null : new Bitrate($rate), $passedOn),
    );
    $next = HoldRate::next(5e6, [[5e6, $came * 5e6, $came * 5e6]], $near);

    expect($next === null)->toBe($isEnough)
        // What a second try has to come to is no less than what a first one has.
        ->and(HoldRate::next(5e6, [[5e6, 2e6, 5e6], [5e6, $came * 5e6, 5e6]], $near) === null)->toBe($isEnough);
})->with([
    'four times the finest of them, a ninth off' => [2_000_000, [200_000, 500_000], 1.11, true],
    'the same, too little' => [2_000_000, [200_000, 500_000], 0.89, true],
    'the same, too far off' => [2_000_000, [200_000, 500_000], 1.13, false],
    'less than four times one of them' => [1_999_999, [200_000, 500_000], 1.11, false],
    'the same, nearer' => [1_999_999, [200_000, 500_000], 1.09, true],
    'twice the finest of them' => [1_000_000, [200_000, 500_000], 0.91, true],
    'less than that' => [999_999, [200_000, 500_000], 1.08, false],
    'one whose quality leads may take anything' => [2_000_000, [500_000, null], 1.11, false],
    'an upload whose quality leads' => [null, [500_000], 1.11, false],
]);

it('begins where others of its kind came out right, too much and too little alike', function () {
    expect(HoldRate::usual([]))->toBeNull()
        ->and(HoldRate::usual([1.3]))->toEqualWithDelta(1.3, 1e-12)
        ->and(HoldRate::usual([0.5, 2.0]))->toEqualWithDelta(1.0, 1e-12)
        ->and(HoldRate::usual([1.0, 1.0, 1.331]))->toEqualWithDelta(1.1, 1e-12);
});

it('begins with what pieces are likely to get, whatever came before', function () {
    $piece = fn (float $share, float $effort): TestPiece => new TestPiece(new FrameRange(0, 24), $share, 1.0, Why::Typical, $effort);
    expect(HoldRate::first(5e6, [$piece(0.5, 2.0), $piece(0.5, 2.0)]))->toEqualWithDelta(5e6, 1)
        // Half of the pieces are the busy tenth of the cut: they take more of the average than the whole does.
        ->and(HoldRate::first(5e6, [$piece(0.9, 1.0), $piece(0.1, 5.0)]))
        ->toEqualWithDelta(5e6 * (1 + 5 ** 0.7) / 2 / (0.9 + 0.1 * 5 ** 0.7), 1)
        ->and(HoldRate::first(5e6, [$piece(0.99, 1.0), $piece(0.01, 1e6)]))->toBe(1e7);
});

/** What an encoder of H.264 leaves of so many pieces of 25 frames, with so many bits in a keyframe and in each other frame. */
function firstPass(array $bits, string $options = 'mbtree=1'): ?FirstPass
{
    $lines = ["#options: 640x360 rc=abr {$options} bitrate=800"];
    foreach ($bits as $piece => [$key, $other]) {
        for ($i = 0; $i < 25; $i++) {
            [$type, $q, $tex] = $i === 0 ? ['I', 24.09, $key] : ['P', 27.0, $other];
            $frame = 25 * $piece + $i;
            $lines[] = "in:{$frame} out:0 type:{$type} dur:2 cpbdur:2 q:{$q} aq:20.00 tex:{$tex} mv:0 misc:0 imb:9 d:- ref:0 ;\n";
        }
    }

    return FirstPass::of($lines);
}

it('knows from a first pass how the second will share an average out', function (array $bits, array $pieces, int $every, array $asks) {
    $pieces = array_map(
        fn (int $i): TestPiece => new TestPiece(new FrameRange(25 * $i, 25 * $i + 24), ...$pieces[$i]),
        array_keys($pieces),
    );
    $starts = array_map(fn (int $i): int => 25 * $i, array_keys($pieces));
    $rest = [$every, 25, $asks['peak'] ?? null, $asks['buffer'] ?? null, $asks['left'] ?? null];
    expect(firstPass($bits)?->begin(1e6, $pieces, $starts, ...$rest)->asked / 1e6)->toEqualWithDelta($asks['average'], 0.01);
})->with([
    'pieces that are the whole' => [
        [[90_000, 10_000], [90_000, 10_000]], [[0.5, 1.0, Why::Typical], [0.5, 1.0, Why::Typical]], 25, ['average' => 1.0],
    ],
    // 24 × 10 and 90 are 330 a second; with a keyframe in five seconds it would be 124 × 10 and 90 over five, 266.
    'keyframes that the whole has not' => [
        [[90_000, 10_000], [90_000, 10_000]],
        [[0.5, 1.0, Why::Typical], [0.5, 1.0, Why::Typical]],
        125,
        ['average' => 330 / 266],
    ],
    // One piece of two is four times as busy and stands for a tenth: 0.9 × 1 + 0.1 × 4 of the whole, 2.5 of the pieces.
    'a busy piece that stands for little' => [
        [[10_000, 10_000], [40_000, 40_000]],
        [[0.9, 1.0, Why::Typical], [0.1, 1.0, Why::Busiest]],
        25,
        ['average' => 2.5 / 1.3],
    ],
    // The busy one is held to 1.5 times the average, and the other one is given what it leaves: 0.9 × other + 0.1 × 1.5 = 1.
    'a peak' => [
        [[10_000, 10_000], [90_000, 90_000]],
        [[0.9, 1.0, Why::Typical], [0.1, 1.0, Why::Busiest]],
        25,
        ['average' => (0.85 / 0.9 + 1.5) / 2, 'peak' => 1_500_000],
    ],
    // The first has a second of the peak and half of the 0.6 Mbit that are full; 0.3 are left, and a calm second fills 1.5 more, of which
    // the last one has half.
    'a buffer that is not full' => [
        [[90_000, 90_000], [1, 1], [90_000, 90_000]],
        [[0.1, 1.0, Why::Busiest], [0.8, 1.0, Why::Typical], [0.1, 1.0, Why::Busiest]],
        25,
        ['average' => (1.5 + 0.3 + 1.5 + 0.9) / 3, 'peak' => 1_500_000, 'buffer' => 2_000_000, 'left' => 0.3],
    ],
]);

it('lets pieces rise above a peak that the whole lies under', function (?int $peak, ?int $raised) {
    // A second of each holds a keyframe, five of the whole hold one: 24 × 10 and 90 in place of a fifth of 124 × 10 and 90.
    $pieces = array_map(fn (int $from): TestPiece => new TestPiece(new FrameRange($from, $from + 24), 0.5, 1.0, Why::Typical), [0, 25]);
    $begun = firstPass([[90_000, 10_000], [90_000, 10_000]])?->begin(1e6, $pieces, [0, 25], 125, 25, $peak, 2_000_000, null);

    expect($begun->peak === null ? null : round($begun->peak, -4))->toEqual($raised === null ? null : round($raised, -4));
})->with([
    'scenes that take five sixths of it' => [1_200_000, (int) (1e6 * 330 / 266)],
    'scenes that take more of it' => [1_150_000, null],
    'no piece that would rise above it' => [2_000_000, 2_000_000],
    'none' => [null, null],
]);

it('finds the pieces in a first pass at half their rate', function () {
    // Pieces of 50 frames are of 25 there: the busy one, that stands for a tenth, begins at the 25th.
    $pieces = [new TestPiece(new FrameRange(0, 49), 0.9, 1.0, Why::Typical), new TestPiece(new FrameRange(50, 99), 0.1, 1.0, Why::Busiest)];
    $asked = firstPass([[10_000, 10_000], [40_000, 40_000]])?->begin(1e6, $pieces, [0, 25], 25, 25, null, null, null);

    expect($asked->asked / 1e6)->toEqualWithDelta(2.5 / 1.3, 0.01);
});

it('has so much of a buffer full as keyframes of pieces take that their scenes have not', function (
    int $busy,
    float $told,
    float $left,
) {
    // Three tenths of the cut are busy for twenty seconds each, the rest is calm.
    $pieces = array_map(fn (int $i): TestPiece => new TestPiece(
        new FrameRange(25 * $i, 25 * $i + 24), $i < $busy ? 0.3 / $busy : 0.7, 1.0, Why::Typical, run: 500,
    ), range(0, $busy));
    $first = firstPass([...array_fill(0, $busy, [90_000, 10_000]), [9_000, 1_000]]);

    expect($first?->begin(1e6, $pieces, TestPiece::starts($pieces), 125, 25, 1_500_000, 2_000_000, $told)->left)
        ->toEqualWithDelta($left, 0.002);
})->with([
    // A busy scene is let have 1.5 a second and 0.9 of the 2 Mbit once in its twenty: 1.59, 5.98 times its bits. 24 frames are 1.43 then,
    // the keyframe 0.54, of which 0.38 are given: 1.81 in a second in which 1.5 flow in. 0.31 of 2 lie in the buffer, and a fifth.
    'one' => [1, 0.45, 0.357],
    // Six times as much is more than an encoder begins with.
    'six' => [6, 0.45, 0.9],
    'what lies far above its peak, where the order of the reel has told' => [1, 0.3, 0.3],
]);

it('makes nothing of a first pass that it cannot read', function () {
    expect(firstPass([[90_000, 10_000]], 'mbtree=0'))->toBeNull()
        ->and(FirstPass::of(["AAAA\n", "\x00\x01"]))->toBeNull()
        ->and(FirstPass::of([]))->toBeNull();
});

it('listens to all of a short sound, and to parts of a long one with its loudest', function () {
    $second = fn (array $spans): array => array_map(fn (FrameRange $span): int => intdiv($span->first, 25), $spans);
    expect(SoundSpans::of(new FrameRange(5, 25 * 60), 25, []))->toEqual([new FrameRange(5, 25 * 60)]);
    $curve = [...array_fill(0, 333, -24.0), -9.0, ...array_fill(0, 266, -24.0)];
    $spans = SoundSpans::of(new FrameRange(0, 600 * 25 - 1), 25, $curve);
    expect($second($spans))->toBe([42, 142, 242, 325, 442, 542])
        ->and(array_sum(array_map(fn (FrameRange $span): int => $span->count(), $spans)))->toBe(6 * 15 * 25)
        // Loudest at the very end: the part lies inside the range.
        ->and(SoundSpans::of(new FrameRange(0, 600 * 25 - 1), 25, [...array_fill(0, 599, -24.0), -9.0])[5]->last)->toBe(600 * 25 - 1);
});

it('tells what a host makes of all the sound by what it made of parts', function (float $gain, ?float $limit, array $after, array $told) {
    $level = fn (float $loudness, float $peak): SoundLevel => new SoundLevel($loudness, 5.0, $peak);
    $sound = SoundAfter::of(
        // The parts are a dB louder than the whole, and its highest peak lies outside them.
        new HeardParts(new FoundSound(-20.0, -4.0), $level(-19.0, -6.0)),
        $level(-19.1, -5.8),
        $level(...$after),
        new Levelling(-15.0, -1.0, $gain, $limit),
    );
    expect(array_intersect_key($sound?->toArray() ?? [], $told))->toEqual($told);
})->with([
    'turned down' => [-3.0, null, [-22.1, -8.7], [
        'loudness' => -23.1, 'truePeak' => -6.7, 'pressed' => 0, 'upload' => ['loudness' => -20.1, 'truePeak' => -3.8],
        'text' => "The sound is turned down by 3.0 dB: −23.1\u{2009}LUFS after the host, peaks at −6.7\u{2009}dBTP.",
    ]],
    // The whole's peak would stand at −3.8 + 5.1 = 1.3 dBTP, and is held to where the limiter holds those of the parts.
    'turned up into a limiter' => [5.1, -1.1, [-14.1, -1.0], [
        'loudness' => -15.1, 'truePeak' => -1.0, 'pressed' => 2.3,
        'text' => 'The sound is turned up by 5.1 dB, its peaks pressed down by 2.3 dB to fit: '.
            "−15.1\u{2009}LUFS after the host, peaks at −1.0\u{2009}dBTP.",
    ]],
]);

it('keeps pieces as they are where that is small, and packed otherwise', function (array $picture, int $frames, string $codec) {
    $reading = Desk::reading(Probes::plain($picture + ['width' => 1920, 'height' => 1080]));
    $arguments = ReelCommand::of($reading, 'cut', [new FrameRange(0, $frames - 1)], 'reel')->arguments;

    expect($arguments[array_search('-c:v', $arguments, true) + 1])->toBe($codec);
})->with([
    // A frame of 1920×1080 in 4:2:0 takes 3,110,400 bytes; 164 of them are as much as is kept.
    'few frames' => [[], 164, 'rawvideo'],
    'one more' => [[], 165, 'ffvhuff'],
    '10 bits, which Matroska does not name' => [['pix_fmt' => 'yuv420p10le'], 10, 'ffvhuff'],
    'fields, whose order is in the picture' => [['field_order' => 'tt'], 10, 'ffvhuff'],
]);

it('stops asking for more where a picture cannot use it', function (array $tried, ?float $next, bool $isBound = false) {
    $asked = HoldRate::next(5e6, $tried, isBound: $isBound);
    expect($asked === null ? null : round($asked, -3))->toBe($next);
})->with([
    'too little, all of it spent' => [[[5e6, 4e6, 5e6]], 6.25e6],
    'no more than twice as much at once' => [[[5e6, 1e6, 5e6]], 1e7],
    // A peak, or the finest quantiser, lets the encoder spend no more.
    'too little, and less spent than was asked' => [[[5e6, 3.6e6, 3.9e6]], null],
    'asked for twice as much in vain' => [[[5e6, 1e6, 5e6], [1e7, 1e6, 9e6]], null],
    'asked for more, and a tenth of that came' => [[[5e6, 4e6, 5e6], [6.25e6, 4.1e6, 6.2e6]], null],
    // What is busy is at its peak, and what is over goes to what is calm.
    'too much, and less asked brought hardly less' => [[[6e6, 5.7e6, 6e6], [5e6, 5.6e6, 5.2e6]], null],
    'too much, and falling nearly as it is asked to' => [[[6e6, 6.5e6, 6e6], [5e6, 5.6e6, 5.2e6]], 4.353e6],
    // 5 × (5 / 6.5) ^ 1.5: two tries that came to much the same say nothing of a slope.
    'far too much, and less asked brought hardly less' => [[[6e6, 6.6e6, 6e6], [5e6, 6.5e6, 5.2e6]], 3.373e6],
    // Others of its kind have shown that less asked would bring hardly less.
    'too much of what others could not lower' => [[[5e6, 5.7e6, 5e6]], null, true],
    'far too much of what others could not lower' => [[[5e6, 6e6, 5e6]], 4.321e6, true],
    'too little of what others could not lower' => [[[5e6, 4e6, 5e6]], 6.25e6, true],
    'near enough' => [[[5e6, 4.8e6, 3e6]], null],
    'not near enough' => [[[5e6, 5.3e6, 5e6]], 4.772e6],
    'as near, after two' => [[[6e6, 6.4e6, 6e6], [5e6, 5.3e6, 5e6]], null],
    'three times' => [[[5e6, 9e6, 5e6], [4e6, 8e6, 4e6], [3e6, 6e6, 3e6]], null],
]);

it('knows by two tries whether the rate follows what is asked', function (array $tried, bool $isBound) {
    expect(HoldRate::isBound($tried))->toBe($isBound);
})->with([
    'none' => [[], false],
    'one' => [[[5e6, 5.7e6, 5e6]], false],
    'as it is asked to' => [[[6e6, 6.5e6, 6e6], [5e6, 5.5e6, 5e6]], false],
    'a quarter of that' => [[[6e6, 5.9e6, 6e6], [5e6, 5.64e6, 5e6]], true],
    'half of it, and a third try' => [[[6e6, 6e6, 6e6], [5e6, 5.48e6, 5e6], [4e6, 5.47e6, 4e6]], false],
    'hardly moved, and hardly followed' => [[[5.1e6, 5.08e6, 5e6], [5e6, 5e6, 5e6]], true],
]);

it('picks the rendition that a player picks', function (int $lines, array $ladder, int $picked) {
    $rungs = array_map(fn (int $side): Rung => new Rung($side, 'h264', new Bitrate(1_000_000), null, new Fraction(2), 'fast'), $ladder);

    expect((new Screen($lines))->pick($rungs)->shorterSide)->toBe($picked);
})->with([
    'one that fills it' => [720, [1080, 720, 480], 720],
    'the next larger' => [720, [1080, 480], 1080],
    'the largest there is' => [2160, [1080, 720], 1080],
    'whatever there is' => [480, [360], 360],
]);

it('knows no screen of other lines', fn () => new Screen(1000))->throws(InvalidArgumentException::class, 'A screen has 480, 720');

it('makes an output of a rung, upright or not, and an SDR version where its codec has no HDR', function () {
    $rung = new Rung(720, 'h264', new Bitrate(1_500_000), null, new Fraction(5), 'fast');
    $vp9 = AsRendition::of(new Rung(720, 'vp9', null, 30, new Fraction(5), 'fast'), new FrameSize(1920, 1080), true);
    $rules = fn (FrameSize $upload, bool $hdr): array => AsRendition::of($rung, $upload, $hdr)->preset->rules->rules;

    expect($rules(new FrameSize(1920, 1080), false)['frameSize'])->toBe(['fit' => '16384×720'])
        ->and($rules(new FrameSize(1080, 1920), false)['frameSize'])->toBe(['fit' => '720×16384'])
        ->and($rules(new FrameSize(1920, 1080), false)['bitrate']['average'])->toBe(['kbps' => 1500])
        ->and($rules(new FrameSize(1920, 1080), true)['colour'])->toBe(['bitDepth' => 8, 'chroma' => '4:2:0', 'convert' => 'bt709'])
        ->and($vp9->preset->rules->rules)
        ->toMatchArray(['colour' => ['bitDepth' => 10, 'chroma' => '4:2:0'], 'bitrate' => ['mode' => 'quality', 'quality' => 30]]);
});

it('tells a difference from what pieces differ by', function () {
    // Each piece gains half a dB, however different the pieces are: that is sure.
    $steady = Gain::of(outcome('b', 20, [20.5, 30.5, 25.5, 15.5]), outcome('a', 10, [20, 30, 25, 15]));
    // One gains and one loses: that is not.
    $loose = Gain::of(outcome('b', 20, [21.5, 28.9, 25.5, 14.2]), outcome('a', 10, [20, 30, 25, 15]));

    expect($steady->decibels)->toEqualWithDelta(0.5, 0.001)->and($steady->margin)->toBe(Gain::LEAST)->and($steady->isCertain())->toBeTrue()
        ->and($loose->isCertain())->toBeFalse()
        // By hand: differences 1.5, −1.1, 0.5, −0.8 have a standard deviation of 1.205, and a standard error of 0.603; t is 3.18.
        ->and($loose->margin)->toEqualWithDelta(3.18 * 0.6027, 0.003)
        // A single piece says nothing of the others, but where there are none.
        ->and(Gain::of(outcome('b', 20, [21]), outcome('a', 10, [20]))->isCertain())->toBeFalse()
        ->and(Gain::of(outcome('b', 20, [21], sampled: 1), outcome('a', 10, [20], sampled: 1))->margin)->toBe(Gain::LEAST);
});

it('finds the efficient edge, and where it stops paying', function () {
    // What uploads of 1.5 to 18 Mb/s left behind a host at 1.5, and one that is worse than a smaller one.
    $outcomes = array_map(
        fn (array $of): Outcome => outcome($of[0], $of[1], [$of[2], $of[2]]),
        [['18', 18, 20.83], ['1.5', 2, 19.78], ['3', 3, 20.38], ['bad', 4, 20.1], ['5.5', 6, 20.68], ['9.9', 10, 20.78]],
    );
    $names = fn (array $places): array => array_map(fn (int $i): string => $outcomes[$i]->name, $places);

    expect($names(Edge::of($outcomes)))->toBe(['1.5', '3', '5.5', '9.9', '18'])
        ->and($outcomes[Edge::past($outcomes)]->name)->toBe('5.5') // 0.10 dB for 0.74 of a doubling
        ->and(Edge::past([$outcomes[0]]))->toBeNull()
        ->and(Edge::of([]))->toBe([]);
});

it('recommends one in a sentence with its numbers', function () {
    $small = outcome('Even', 10, [20.0, 22.0, 21.0, 19.0]);
    $large = outcome('Generous', 18, [20.6, 22.6, 21.6, 19.6]);
    $same = outcome('Vast', 40, [20.62, 22.58, 21.62, 19.58]);
    $screen = new Screen(1080);
    $of = fn (array $outcomes, Weights $weights = new Weights): Recommendation => Recommendation::of($outcomes, $screen, $weights);

    // 0.6 dB for 0.85 of a doubling is worth it; nothing for more is not.
    expect($of([$small, $large])->index)->toBe(1)
        ->and($of([$small, $large])->why)->toBe(
            'Generous leaves 20.96 dB SSIM on a screen of 1080 lines for 18.0 MB, made in about 1:00. '.
            'Even leaves 0.60 dB less (± 0.05) for 0.56 × the size.',
        )
        ->and($of([$small, $large, $same])->index)->toBe(1)
        ->and($of([$small, $large, $same])->equals)->toBe([2])
        ->and($of([$large, $same])->why)->toContain('Vast cannot be told from it')
        // Whoever cares for size alone takes the smallest; whoever cares for quality alone the one that leaves most.
        ->and($of([$small, $large, $same], new Weights(2, 0, 0, 0))->index)->toBe(0)
        ->and($of([$small, $large], new Weights(0, 0, 0, 1))->index)->toBe(1)
        ->and($of([$small])->why)->toContain('There is nothing to hold it against');
});

it('refuses weights that weigh nothing', function (array $weights) {
    new Weights(...$weights);
})->with([[[0, 0, 0, 0]], [[-1, 0, 0, 1]], [[3, 0, 0, 1]]])->throws(InvalidArgumentException::class);

it('looks closely where detail, shadow and smoothness are', function () {
    // Flat and bright but for a busy, a dark and a gently sloping corner.
    [$across, $down] = [1280 / 8, 720 / 8];
    $samples = [];
    for ($y = 0; $y < $down; $y++) {
        for ($x = 0; $x < $across; $x++) {
            $samples[] = match (true) {
                $x < 24 && $y < 24 => 500 + 300 * (($x + $y) % 2),
                $x >= 136 && $y < 24 => 100 + 8 * ($x % 3),
                $x < 48 && $y >= 48 => 600 + intdiv($x, 2),
                default => 800,
            };
        }
    }
    $windows = Windows::of(1280, 720, $samples);

    expect($windows)->toHaveCount(3)
        ->and($windows[0])->toBe([0, 0])
        ->and($windows[1][0])->toBeGreaterThan(900)->and($windows[1][1])->toBeLessThan(100)
        ->and($windows[2][0])->toBeLessThan(100)->and($windows[2][1])->toBeGreaterThan(350)
        ->and(Windows::of(64, 48, array_fill(0, 48, 500)))->toBe([[0, 0]])
        // Of a small picture no more than of a large one.
        ->and([Windows::sides(1280, 720), Windows::sides(360, 640), Windows::sides(320, 180), Windows::sides(64, 49)])
        ->toBe([[192, 192], [120, 120], [96, 96], [64, 48]]);
});

it('tells the worst frames once each, the worst first', function () {
    $curve = array_map(fn (int $at): float => 30.0 - ([50 => 9, 51 => 8, 80 => 5][$at] ?? 0), range(0, 99));

    expect(WorstFrames::of($curve, 2))->toBe([50, 80])
        ->and(WorstFrames::of([20.0, 21.0, 22.0], 5))->toBe([0])
        ->and(WorstFrames::of([], 5))->toBe([]);
});

it('knows of parts how loud all of a sound is', function (
    ?FoundSound $whole,
    SoundLevel $parts,
    SoundLevel $coded,
    bool $limited,
    array $all,
) {
    $level = (new HeardParts($whole, $parts))->ofAll($coded, $limited);
    expect([$level->integrated, $level->truePeak])->toEqual($all)->and($level->range)->toBe($coded->range);
})->with([
    'parts that are all that is known' => [null, new SoundLevel(-19, 5, -6), new SoundLevel(-19.2, 5, -5.5), false, [-19.2, -5.5]],
    'a quieter whole with a higher peak' => [
        new FoundSound(-21, -3), new SoundLevel(-19, 5, -6), new SoundLevel(-15, 4, -2), false, [-17, 1],
    ],
    'a limiter lets no peak be higher' => [
        new FoundSound(-21, -3), new SoundLevel(-19, 5, -6), new SoundLevel(-15, 4, -1), true, [-17, -1],
    ],
    'silence' => [new FoundSound(-21, -3), new SoundLevel(null, 0, null), new SoundLevel(null, 0, null), false, [null, null]],
]);
