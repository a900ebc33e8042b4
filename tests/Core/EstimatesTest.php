<?php

use OuterCrate\Analysis\Found;
use OuterCrate\Desk\Column;
use OuterCrate\Desk\Recap;
use OuterCrate\Encoding\Encoders;
use OuterCrate\Estimates\QueuedRun;
use OuterCrate\Estimates\Sampling\Piece;
use OuterCrate\Estimates\Sampling\PieceResult;
use OuterCrate\Estimates\Sampling\Pieces;
use OuterCrate\Estimates\Sampling\Sample;
use OuterCrate\Estimates\Sampling\Sampling;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Estimates\TimeEstimate;
use OuterCrate\Estimates\Timetable;
use OuterCrate\Units\FrameRange;
use OuterCrate\Units\LineSpeed;
use Tests\Support\Desk;
use Tests\Support\Probes;

it('follows the average rate to the byte', function () {
    $cut = Desk::reading(Probes::mezzanine(), 186_000_000);
    $of = fn (int $kbps): int => SizeEstimate::of(
        Desk::plan($cut, 'lanternwick-even@lanternwick', ['bitrate' => ['average' => ['kbps' => $kbps]]]),
        $cut,
    )->bytes;
    expect($of(8000) - $of(6000))
        ->toBe((int) ((2_000_000 / 8) * 12.52))
        ->and($of(8000))
        ->toBeGreaterThan((int) ((8_320_000 / 8) * 12.52));
});

it('rests a master on the cut’s own rate where the codec is the same, on the stated rate elsewhere', function () {
    $same = Desk::reading(Probes::mezzanine(), 186_000_000);
    $other = Desk::reading(Probes::plain(['width' => 1280, 'height' => 720]));
    expect(SizeEstimate::of(Desk::plan($same, 'archive-10-bit'), $same))
        ->toMatchObject(['basis' => 'cut'])
        ->and(SizeEstimate::of(Desk::plan($other, 'archive-10-bit'), $other))
        ->toMatchObject(['basis' => 'codec'])
        ->and(SizeEstimate::of(Desk::plan($other, 'lossless-vault'), $other)->marginPercent)
        ->toBeGreaterThan(20);
});

it('learns how fast this machine is', function () {
    $plan = Desk::plan(Desk::reading(Probes::mezzanine()), 'lanternwick-generous@lanternwick');
    $slow = (new TimeEstimate(new Encoders, [TimeEstimate::key($plan) => 1_000_000]))->making($plan);
    expect($slow)
        ->toBeGreaterThan(280.0)
        ->toBeLessThan(300.0)
        ->and((new TimeEstimate(new Encoders, []))->making($plan))
        ->toBeLessThan($slow);
});

it('learns how fast a line sends from what was sent, and takes no single evening for the rule', function (
    array $sent,
    int $bitsPerSecond,
    int $files,
) {
    $line = LineSpeed::said(5_000_000)->taught(array_map(fn (array $file): array => ['bytes' => $file[0], 'seconds' => $file[1]], $sent));
    expect([$line->bitsPerSecond, $line->files])
        ->toBe([$bitsPerSecond, $files])
        ->and($line->sentIn($line->toSend(9_000_000)))
        ->toEqualWithDelta(9_000_000, 1);
})->with([
    'nothing yet' => [[], 5_000_000, 0],
    'one file' => [[[75_000_000, 104]], 6_000_000, 1],
    'too short to tell' => [[[75_000_000, 9], [0, 60]], 5_000_000, 0],
    'two' => [[[75_000_000, 104], [50_000_000, 104]], 5_000_000, 2],
    'one bad evening among three' => [[[75_000_000, 104], [75_000_000, 10_400], [87_500_000, 104]], 6_000_000, 3],
    'only the latest five' => [[...array_fill(0, 5, [50_000_000, 104]), ...array_fill(0, 9, [500_000_000, 104])], 4_000_000, 5],
]);

it('reckons the time that sending takes', function () {
    expect(round(LineSpeed::said(5_000_000)->toSend(5_000_000), 2))->toBe(8.32);
});

/** A column as if its file came to so many bytes and seconds. */
function estimated(Column $column, int $bytes, float $seconds): Column
{
    $size = new SizeEstimate(...['bytes' => $bytes] + get_object_vars($column->size));

    return new Column($column->plan, $column->asks, $size, $seconds, $column->sending, $column->findings);
}

it('says in a sentence what will be made', function () {
    $cut = Desk::reading(Probes::plain(['width' => 1920, 'height' => 1080]));
    [$master, $upload, $review] = [
        Desk::column($cut, 'archive-10-bit'),
        Desk::column($cut, 'lanternwick-even@lanternwick', ['audio' => 'none']),
        Desk::column($cut, 'review-720'),
    ];
    $many = [
        ...array_fill(0, 3, estimated($master, 100_000_000, 1.0)),
        estimated($upload, 2_000_000, 5.0),
        estimated($review, 1_000_000, 2.0),
    ];
    expect(strtr(Recap::of([estimated($master, 148_000_000, 9.0), estimated($upload, 12_800_000, 101.0)]), ["\u{2009}" => ' ']))
        ->toBe('A 10-bit master of ≈ 148 MB and an upload for Lanternwick of ≈ 12.8 MB. About 1 min 50 s to make. 1 caution and 2 notes.')
        ->and(strtr(Recap::of($many), ["\u{2009}" => ' ']))
        ->toStartWith('3 masters, 1 upload and 1 review file, together ≈ 303 MB. About 10 s to make.')
        ->and(Recap::of([]))
        ->toBe('Nothing is to be made yet.');
});

it('says how long making takes in the words of a person', function (float $seconds, string $words) {
    $column = estimated(Desk::column(Desk::reading(Probes::mezzanine()), 'archive-10-bit'), 1_000_000, $seconds);
    expect(strtr(Recap::of([$column]), ["\u{2009}" => ' ']))->toContain("About {$words} to make.");
})->with([
    [0.2, '1 s'],
    [59.0, '59 s'],
    [59.5, '1 min'],
    [60.0, '1 min'],
    [61.0, '1 min 1 s'],
    [3_599.0, '59 min 59 s'],
    [3_600.0, '1 h 0 min'],
    [7_290.0, '2 h 1 min'],
]);

it('takes the figure of pieces where a picture does not use up its average, and the average everywhere else', function (
    float $ample,
    ?float $planned,
    float $expected,
    string $basis,
    float $sampled = 0.3,
) {
    $cut = Desk::reading(Probes::mezzanine(), 186_000_000);
    $plan = Desk::plan($cut, 'lanternwick-even@lanternwick', ['audio' => 'none']);
    $frame = $plan->bitrate->average->bitsPerSecond / 8 / 25;
    $estimate = SizeEstimate::of(
        $plan,
        $cut,
        new Sample(
            $frame * ($planned ?? 0.6),
            5,
            0.01,
            (int) ($sampled * $plan->frames),
            ampleBytesPerFrame: $ample > 0 ? $frame * $ample : null,
        ),
    );
    expect($estimate->bytes / SizeEstimate::of($plan, $cut)->bytes)
        ->toEqualWithDelta($expected, 0.01)
        ->and($estimate->basis)
        ->toBe($basis);
})->with([
    'it reaches it' => [1.1, null, 1.0, 'bitrate'],
    'it just does not' => [0.95, null, 0.95, 'sample'],
    'it does not' => [0.2, null, 0.2, 'sample'],
    'pieces came to less, which they do' => [1.1, 0.3, 1.0, 'bitrate'],
    'all of it encoded' => [0.7, 1.3, 1.3, 'sample', 1.0],
    'all but a frame or two' => [0.7, 0.99, 0.99, 'sample', 0.98],
    'most of it' => [0.7, 1.3, 0.7, 'sample', 0.9],
    'not tried, far below' => [0.0, 0.1, 0.1, 'sample'],
    'not tried, on its way' => [0.0, 0.6, 1.0, 'bitrate'],
]);

it('lets no piece that has ample to spend stand for more than the peak lets through', function () {
    $cut = Desk::reading(Probes::mezzanine(), 186_000_000);
    $plan = Desk::plan($cut, 'lanternwick-generous@lanternwick', [
        'bitrate' => ['mode' => 'vbr', 'average' => ['kbps' => 8_000], 'peak' => ['kbps' => 10_000]],
    ]);
    $pieces = array_fill(0, 2, new Piece(new FrameRange(0, 49), 0.5, 1.0));
    $result = fn (int $megabits): PieceResult => new PieceResult(50, 1, $megabits * 5_000, 49 * $megabits * 5_000, 1.0);
    $sample = Sampling::concludeAmple($plan, Sampling::conclude($plan, $pieces, [$result(8), $result(8)]), $pieces, [
        $result(90),
        $result(2),
    ]);
    expect($sample->ampleBytesPerFrame * 8 * 25)
        ->toEqualWithDelta(6_000_000.0, 1.0)
        ->and($sample->bytesPerFrame * 8 * 25)
        ->toEqualWithDelta(8_000_000.0, 1.0)
        ->and($sample->untimed()->ampleBytesPerFrame)
        ->toBe($sample->ampleBytesPerFrame);
});

it('takes from a busy moment what the peak lets through, whatever the calm ones around it leave', function (array $halves, float $share) {
    expect((new PieceResult(50, 1, 1, 1, 1.0, halves: $halves))->shareUnder(1_600_000))->toEqualWithDelta($share, 1e-9);
})->with([[[100_000, 100_000], 1.0], [[0, 400_000], 0.25], [[50_000, 50_000, 100_000, 200_000], 0.75], [[], 1.0], [[0, 0], 1.0]]);

it('tries ample only where an average may be left unused', function (array $rate, float $used, ?array $expected) {
    $plan = Desk::plan(Desk::reading(Probes::plain()), 'review-720', ['bitrate' => $rate]);
    $ample = Sampling::ample($plan, new Sample(($used * ($plan->bitrate->average->bitsPerSecond ?? 0)) / 8 / 25, 5, 0.01, 100));
    expect(
        $ample === null
            ? null
            : [$ample->bitrate->passes, $ample->bitrate->average->bitsPerSecond, $ample->bitrate->peak, $ample->video->level],
    )->toBe($expected);
})->with([
    'no average' => [['mode' => 'quality'], 0.0, null],
    'a constant one' => [['mode' => 'cbr', 'average' => ['kbps' => 900]], 0.5, null],
    'used up' => [['mode' => 'vbr', 'average' => ['kbps' => 900]], 0.96, null],
    'above it' => [['mode' => 'vbr', 'average' => ['kbps' => 900]], 1.2, null],
    'below it' => [['mode' => 'vbr', 'average' => ['kbps' => 900], 'peak' => ['kbps' => 1200]], 0.94, [2, 2_400_000, null, null]],
]);

it('knows by how much one pass over all of a cut misses an average that the picture could use', function (
    float $share,
    ?float $ample,
    int $frames,
    int $miss,
) {
    $cut = Desk::reading(Probes::mezzanine(), 186_000_000);
    $plan = Desk::plan($cut, 'review-720', ['bitrate' => ['mode' => 'vbr', 'passes' => 1, 'average' => ['kbps' => 2_000]]]);
    $sample = new Sample($share * 2_000_000 / 8 / 25, 5, 0.01, $frames);
    $sample = $ample === null ? $sample : $sample->withAmple($ample * 2_000_000 / 8 / 25, 5);
    expect(SizeEstimate::of($plan, $cut, $sample)->missPercent)->toBe($miss);
})->with([
    'over' => [1.28, null, 313, 28],
    'under' => [0.72, 1.5, 313, -28],
    'under, and it needs no more' => [0.72, 0.8, 313, 0],
    'only pieces of it' => [0.72, 1.5, 100, 0],
]);

it('does not take a piece’s full buffer for what a peak lets through', function () {
    $cut = Desk::reading(Probes::mezzanine(), 186_000_000);
    $plan = Desk::plan($cut, 'review-720', ['bitrate' => ['mode' => 'quality', 'quality' => 20, 'peak' => ['kbps' => 6_000]]]);
    $size = fn (float $megabits): int => SizeEstimate::of($plan, $cut, new Sample(($megabits * 1_000_000) / 8 / 25, 5, 0.01, 100))->bytes;
    expect($size(7.5))->toBe($size(6.0))->and($size(4.0))->toBeLessThan($size(6.0));
});

it('encodes a range whole where pieces would save little, or rate control has no time to find its average', function (
    string $preset,
    array $rate,
    int $seconds,
    array $video,
    int $count,
) {
    $reading = Desk::reading(
        Probes::plain(
            ['duration' => (string) $seconds, 'nb_frames' => (string) (25 * $seconds)] + $video,
            format: ['duration' => (string) $seconds],
        ),
    );
    $pieces = Pieces::of(Desk::plan($reading, $preset, $rate === [] ? [] : ['bitrate' => $rate]), $reading, null);
    expect($pieces)
        ->toHaveCount($count)
        ->and(array_sum(array_map(fn ($piece): float => $piece->share, $pieces)))
        ->toEqualWithDelta(1.0, 1e-9);
    if ($count === 1) {
        expect($pieces[0]->frames->count())
            ->toBe(25 * $seconds)
            ->and($pieces[0]->weight)
            ->toBe(1.0);
    }
})->with([
    'quality, short' => ['review-720', [], 15, [], 1],
    'quality, longer' => ['review-720', [], 17, [], 4],
    'a minute and more' => ['review-720', [], 61, [], 6],
    'ten minutes and more' => ['review-720', [], 601, [], 10],
    'every frame by itself, short' => ['archive-10-bit', [], 4, [], 1],
    'every frame by itself' => ['archive-10-bit', [], 5, [], 6],
    'one pass still settling' => ['review-720', ['mode' => 'vbr', 'passes' => 1, 'average' => ['kbps' => 900]], 45, [], 1],
    'one pass, settled' => ['review-720', ['mode' => 'vbr', 'passes' => 1, 'average' => ['kbps' => 900]], 46, [], 4],
    'two passes know' => ['review-720', ['mode' => 'vbr', 'passes' => 2, 'average' => ['kbps' => 900]], 45, [], 4],
    'one pass, too much work' => ['lanternwick-even', [], 45, ['width' => 3840, 'height' => 2160], 4],
]);

it('takes twice as many pieces where an average is at stake, without one lying outside its part', function (
    int $seconds,
    int $count,
    array $edits = [],
    int $length = 50,
) {
    $reading = Desk::reading(
        Probes::plain(
            ['duration' => (string) $seconds, 'nb_frames' => (string) (25 * $seconds)],
            format: ['duration' => (string) $seconds],
        ),
    );
    $pieces = Pieces::more(Desk::plan($reading, 'lanternwick-generous@lanternwick', $edits), $reading, null);
    expect($pieces)
        ->toHaveCount($count)
        ->and(array_sum(array_map(fn ($piece): float => $piece->share, $pieces)))
        ->toEqualWithDelta(1.0, 1e-9);
    foreach ($pieces as $i => $piece) {
        expect($piece->frames->count())
            ->toBe($length)
            ->and($piece->frames->first)
            ->toBeGreaterThanOrEqual(intdiv($i * 25 * $seconds, $count))
            ->and($piece->frames->last)
            ->toBeLessThan(intdiv(($i + 1) * 25 * $seconds, $count));
    }
})->with([[17, 8], [61, 12], [601, 20], 'every frame by itself' => [5, 12, ['keyframes' => ['frames' => 1]], 10]]);

it('leaves what detail and motion foretell out of the error bar', function () {
    $plan = Desk::plan(Desk::reading(Probes::mezzanine()), 'review-720');
    $results = array_map(fn (int $bytes): PieceResult => new PieceResult(50, 1, $bytes, 49 * $bytes, 1.0), [1_000, 2_000, 3_000, 4_000]);
    $margin = fn (array $complexities): int => Sampling::conclude(
        $plan,
        array_map(fn (float $complexity): Piece => new Piece(new FrameRange(0, 49), 0.25, 1.0, $complexity), $complexities),
        $results,
    )->marginPercent;
    expect($margin([0.0, 0.0, 0.0, 0.0]))
        ->toBeGreaterThan(40)
        ->and($margin([10.0, 20.0, 30.0, 40.0]))
        ->toBe(3)
        ->and($margin([40.0, 30.0, 20.0, 10.0]))
        ->toBeGreaterThan(40);
});

it('takes what was encoded whole for what it came to, however short it is', function () {
    // Sixteen frames of which one is a keyframe: the rhythm of keyframes has nothing to say.
    $plan = Desk::plan(Desk::reading(Probes::plain(['nb_frames' => '16', 'duration' => '0.64'])), 'review-720');
    $whole = new PieceResult(16, 1, 20_000, 15_000, 1.0);
    expect(Sampling::conclude($plan, [new Piece($plan->range, 1.0, 1.0)], [$whole])->bytesPerFrame)->toBe(35_000 / 16);
});

it('takes pieces that stand for the whole', function () {
    $reading = Desk::reading(Probes::plain(['duration' => '100', 'nb_frames' => '2500'], format: ['duration' => '100']));
    $plan = Desk::plan($reading, 'review-720');
    // Calm, but for a busy tenth second in each quarter.
    $detail = array_map(fn (int $second): float => $second % 25 === 12 ? 90.0 : 10.0, range(0, 99));
    $pieces = Pieces::of($plan, $reading, new Found(detail: $detail, motion: array_fill(0, 100, 5.0)));
    expect(array_sum(array_map(fn ($piece): float => $piece->share, $pieces)))->toEqualWithDelta(1.0, 1e-9)->and(count($pieces))->toBe(6);
    foreach ($pieces as $piece) {
        expect($piece->frames->count())
            ->toBe(50)
            ->and($piece->frames->last)
            ->toBeLessThan(2500)
            ->and($piece->weight)
            ->toBeGreaterThanOrEqual(0.5)
            ->toBeLessThanOrEqual(2.0);
    }
    // A piece of fifty frames has one keyframe in fifty; the whole, with one in a hundred, has fewer.
    $result = new PieceResult(50, 1, 10_000, 49_000, 1.0);
    expect($result->bytesPerFrame(50))
        ->toEqualWithDelta(1180.0, 1.0)
        ->and($result->bytesPerFrame(100))
        ->toBeLessThan(1100.0)
        ->and($result->bytesPerFrame(1))
        ->toBe(10_000.0);
    $sample = Sampling::conclude(
        $plan,
        $pieces,
        array_map(fn (int $i): PieceResult => new PieceResult(50, 1, 10_000, 49_000 + 1000 * $i, 1.0), range(0, 5)),
    );
    expect($sample->marginPercent)->toBeGreaterThanOrEqual(3)->toBeLessThanOrEqual(20)->and($sample->frames)->toBe(300);
});

it('tells when each run of a queue begins and ends', function (int $atOnce, array $runs, array $times, float $left, float $share) {
    $table = Timetable::of($runs, $atOnce);
    expect(array_map(fn (?array $time): ?array => $time === null ? null : array_values($time), $table->times))->toEqual($times)
        ->and($table->left)->toEqualWithDelta($left, 1e-9)
        ->and($table->share)->toEqualWithDelta($share, 1e-9);
})->with([
    'nothing' => [1, [], [], 0.0, 0.0],
    'one after another; half of the first is done' => [
        1, [new QueuedRun(60, 0.5), new QueuedRun(20), new QueuedRun(40)], [[0, 30], [30, 50], [50, 90]], 90, 0.25,
    ],
    'one that says itself how long it takes' => [1, [new QueuedRun(60, 0.5, 100), new QueuedRun(20)], [[0, 100], [100, 120]], 120, 0.375],
    'two at once: the third begins when the shorter one ends' => [
        2, [new QueuedRun(60), new QueuedRun(20), new QueuedRun(10)], [[0, 60], [0, 20], [20, 30]], 60, 0.0,
    ],
    'a paused one takes no time of the others' => [
        1, [new QueuedRun(60, 0.5, isPaused: true), new QueuedRun(20)], [null, [0, 20]], 20, 0.375,
    ],
]);
