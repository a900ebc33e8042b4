<?php

use OuterCrate\Encoding\BufferAcross;
use OuterCrate\Encoding\Encoders;
use OuterCrate\Encoding\PartList;
use OuterCrate\Encoding\PartWitness;
use OuterCrate\Encoding\PassBuilder;
use OuterCrate\Encoding\RateCurve;
use OuterCrate\Encoding\Statistics;
use OuterCrate\Estimates\Dividing;
use OuterCrate\Estimates\TimeEstimate;
use OuterCrate\Formats\Picture\BitrateMode;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Values\BitrateValue;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\FrameRange;
use OuterCrate\Units\FrameRate;
use Tests\Support\Desk;
use Tests\Support\Probes;

const IN_QUALITY = [
    'video' => ['codec' => 'h264'], 'container' => ['set' => 'mp4'], 'bitrate' => ['mode' => 'quality', 'quality' => 20],
    'keyframes' => ['seconds' => 1, 'closed' => true], 'audio' => ['codec' => 'aac'], 'colour' => ['bitDepth' => 8],
];

const IN_TWO = ['mode' => 'vbr', 'passes' => 2, 'average' => ['kbps' => 6000], 'peak' => ['kbps' => 12_000]];

/** Seconds of a first pass at 25 frames a second: each with so many bits of texture in its frames, spent at quantiser 24. */
function gatheredSeconds(int ...$texture): array
{
    $lines = ["#options: mbtree=1\n"];
    foreach ($texture as $second => $bits) {
        for ($i = 0; $i < 25; $i++) {
            $type = $i === 0 ? 'I' : 'P';
            $lines[] = sprintf("in:%d out:0 type:%s dur:2 q:24.00 aq:22.0 tex:%d mv:0 misc:0 imb:0;\n", 25 * $second + $i, $type, $bits);
        }
    }

    return Statistics::of($lines)->seconds(25.0);
}

function twoPasses(int $average, ?int $peak = null): BitrateValue
{
    $rate = fn (?int $bits): ?Bitrate => $bits === null ? null : new Bitrate($bits);

    return new BitrateValue(BitrateMode::Vbr, 2, $rate($average), $rate($peak), buffer: $peak);
}

function inQuality(array $edits = []): Plan
{
    return Desk::plan(Desk::reading(Probes::mezzanine()), 'lossless-vault', array_replace_recursive(IN_QUALITY, $edits));
}

/** @return list<FrameRange> for machines that take so many seconds to make the 313 frames */
function divided(Plan $plan, int $machines, float $seconds = 100, float $least = 10): array
{
    $speed = (int) ($plan->frames * $plan->frameSize->picture->pixels() / ($seconds - 0.4));
    $times = new TimeEstimate(new Encoders, [TimeEstimate::key($plan) => $speed]);

    return (new Dividing($times, $least, 4))->of($plan, Desk::reading(Probes::mezzanine()), $machines);
}

it('divides into as many parts for each, where keyframes are due, without a gap', function (int $machines, float $seconds, int $parts) {
    $ranges = divided(inQuality(), $machines, $seconds);
    expect($ranges)->toHaveCount($parts);
    $next = 0;
    foreach ($ranges as $range) {
        expect($range->first)->toBe($next)->and($range->first % 25)->toBe(0);
        $next = $range->last + 1;
    }
    expect($next)->toBe($parts === 0 ? 0 : 313);
})->with([
    'one machine' => [1, 100, 0],
    'four parts for each' => [2, 100, 8],
    'none that would be waited for' => [2, 55, 4],
    'a part takes its time' => [2, 29, 2],
    'not worth it' => [2, 19, 0],
    'twelve seconds of keyframes' => [5, 1000, 10],
    'more machines than parts' => [20, 1000, 0],
]);

it('divides only what no part has to know of another for', function (array $edits, bool $isDivided) {
    expect(divided(inQuality($edits), 2) !== [])->toBe($isDivided);
})->with([
    'as it is' => [[], true],
    'HEVC' => [['video' => ['codec' => 'hevc']], true],
    'every frame by itself' => [['video' => ['codec' => 'prores'], 'container' => ['set' => 'mov'], 'audio' => ['codec' => 'pcm']], true],
    'open groups' => [['keyframes' => ['closed' => false]], false],
    'a peak' => [['bitrate' => ['peak' => ['kbps' => 6000]]], false],
    'an average in one pass' => [['bitrate' => ['mode' => 'vbr', 'passes' => 1, 'average' => ['kbps' => 6000]]], false],
    'an average in two' => [['bitrate' => IN_TWO], true],
    'an average in two of HEVC' => [['video' => ['codec' => 'hevc'], 'bitrate' => IN_TWO], true],
    'an average in two, open groups' => [['bitrate' => IN_TWO, 'keyframes' => ['closed' => false]], false],
    'the same rate all the time' => [['bitrate' => ['mode' => 'cbr', 'average' => ['kbps' => 6000]]], false],
    'frames between frames' => [['frameRate' => ['exact' => '50']], false],
    'a container that rounds' => [['container' => ['set' => 'matroska']], true],
    'a container of streams' => [['container' => ['set' => 'mpeg-ts']], false],
    'AV1' => [['video' => ['codec' => 'av1']], true],
    'another codec' => [['video' => ['codec' => 'mpeg2'], 'container' => ['set' => 'mov']], false],
]);

it('shares an average out among parts by what each has to code, and all of it', function () {
    $parts = [gatheredSeconds(...array_fill(0, 10, 20_000)), gatheredSeconds(...array_fill(0, 30, 60_000))];
    [$calm, $busy] = RateCurve::of($parts, twoPasses(4_000_000), 25.0);
    // One step of the quantiser for both: three times the bits.
    expect($busy->average / $calm->average)->toEqualWithDelta(3.0, 0.001)
        ->and(($calm->average + 3 * $busy->average) / 4)->toEqualWithDelta(4_000_000, 1)
        ->and([$calm->full, $busy->full])->toBe([null, null]);
});

it('asks of no part for more than the peak, and says how full it leaves the buffer', function () {
    $parts = [gatheredSeconds(1_000, 1_000, 400_000), gatheredSeconds(400_000, 400_000, 400_000), gatheredSeconds(1_000, 1_000, 1_000)];
    [$first, $busy, $last] = RateCurve::of($parts, twoPasses(3_000_000, 5_000_000), 25.0);
    expect($busy->average)->toBeLessThanOrEqual(5_000_000)->toBeGreaterThan(4_900_000)
        ->and($first->average)->toBeLessThan($busy->average)
        ->and($first->full)->toBeNull()
        ->and($busy->full)->toBeGreaterThanOrEqual(0.1)->toBeLessThan(0.7)
        ->and($last->full)->toBe(0.1);
});

it('tells which part takes more out of a buffer than those before it leave', function (array $parts, ?array $expected) {
    $told = BufferAcross::overrun($parts, twoPasses(800, 1000), FrameRate::of(25));
    expect($told === null ? null : [$told[0], round($told[1], 2)])->toBe($expected);
})->with([
    // The buffer holds 125 bytes, and 5 flow in while a frame is shown.
    'none' => [[[100, 5, 5], [25, 5]], null],
    'the second' => [[[100, 5, 5], [35, 5]], [1, 0.24]],
    'the third' => [[[60], [60, 5], [30]], [2, 0.12]],
    'the first, which nothing came before' => [[[130], [5]], null],
]);

it('begins a part with the buffer that is left for it, in its second pass', function () {
    $plan = inQuality(['bitrate' => IN_TWO]);
    $passes = new PassBuilder(new Encoders);
    $reading = Desk::reading(Probes::mezzanine());
    expect(implode(' ', $passes->partGathered($plan, $reading)->arguments))->toContain('-pass 1', '-f null')
        ->and(implode(' ', $passes->part($plan, $reading, 0.5)->arguments))->toContain('-pass 2', '-rc_init_occupancy', '-vstats_file')
        ->and(implode(' ', $passes->part(inQuality(), $reading)->arguments))->not->toContain('-pass');
});

it('joins parts as they are, each as long as its frames, and codes the sound once', function () {
    $parts = [['name' => 'a.mov', 'range' => new FrameRange(0, 99)], ['name' => 'b.mov', 'range' => new FrameRange(100, 312)]];
    expect(PartList::of($parts, FrameRate::of(30_000, 1001)))
        ->toBe("ffconcat version 1.0\nfile a.mov\nduration 3.336667\nfile b.mov\nduration 7.107100\n");
    $arguments = (new PassBuilder(new Encoders))->joining(inQuality(), Desk::reading(Probes::mezzanine()), 'list')->arguments;
    expect(implode(' ', $arguments))->toContain('-i list -map 1:v -c:v copy', '-map 0:1', '-c:a aac')->not->toContain('libx264');
});

it('puts together what parts saw of the cut, each frame once and at its time', function () {
    $plan = inQuality();
    $witness = new PartWitness($plan, Desk::reading(Probes::mezzanine()));
    // A second part is begun a second before its first frame; what is decoded then is not its own.
    $line = fn (int $i): string => sprintf("frame:%d pts_time:%.6f\n", $i, $i / 25);
    $lines = fn (int $frames): array => array_map($line, range(0, $frames - 1));
    $first = $witness->of(new FrameRange(0, 99), $lines(110));
    $second = $witness->of(new FrameRange(100, 312), $lines(238));
    expect([$first['first'], count($first['times']), $second['first'], count($second['times'])])->toBe([0, 100, 25, 213]);
    foreach ([...$first['times'], ...$second['times']] as $frame => $time) {
        expect($time)->toEqualWithDelta($frame / 25, 1e-6);
    }
});
