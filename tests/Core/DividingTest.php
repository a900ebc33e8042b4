<?php

use OuterCrate\Encoding\Encoders;
use OuterCrate\Encoding\PartList;
use OuterCrate\Encoding\PartWitness;
use OuterCrate\Encoding\PassBuilder;
use OuterCrate\Estimates\Dividing;
use OuterCrate\Estimates\TimeEstimate;
use OuterCrate\Planning\Plan;
use OuterCrate\Units\FrameRange;
use OuterCrate\Units\FrameRate;
use Tests\Support\Desk;
use Tests\Support\Probes;

const IN_QUALITY = [
    'video' => ['codec' => 'h264'], 'container' => ['set' => 'mp4'], 'bitrate' => ['mode' => 'quality', 'quality' => 20],
    'keyframes' => ['seconds' => 1, 'closed' => true], 'audio' => ['codec' => 'aac'], 'colour' => ['bitDepth' => 8],
];

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
    'an average' => [['bitrate' => ['mode' => 'vbr', 'average' => ['kbps' => 6000]]], false],
    'frames between frames' => [['frameRate' => ['exact' => '50']], false],
    'a container that rounds' => [['container' => ['set' => 'matroska']], false],
    'another codec' => [['video' => ['codec' => 'av1'], 'container' => ['set' => 'mp4']], false],
]);

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
