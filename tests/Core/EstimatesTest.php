<?php

use OuterCrate\Encoding\Encoders;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Estimates\TimeEstimate;
use OuterCrate\Planning\Recap;
use Tests\Support\Desk;
use Tests\Support\Probes;

it('follows the average rate to the byte', function () {
    $cut = Desk::reading(Probes::mezzanine(), 186_000_000);
    $of = fn (int $kbps): int => SizeEstimate::of(Desk::plan($cut, 'lanternwick-even@lanternwick', ['rate' => ['average' => ['kbps' => $kbps]]]), $cut)->bytes;
    expect($of(8000) - $of(6000))->toBe((int) (2_000_000 / 8 * 12.52))
        ->and($of(8000))->toBeGreaterThan((int) (8_320_000 / 8 * 12.52));
});

it('rests a master on the cut’s own rate where the codec is the same, on the stated rate elsewhere', function () {
    $same = Desk::reading(Probes::mezzanine(), 186_000_000);
    $other = Desk::reading(Probes::plain(['width' => 1280, 'height' => 720]));
    expect(SizeEstimate::of(Desk::plan($same, 'archive-10-bit'), $same))->toMatchObject(['basis' => 'cut'])
        ->and(SizeEstimate::of(Desk::plan($other, 'archive-10-bit'), $other))->toMatchObject(['basis' => 'codec'])
        ->and(SizeEstimate::of(Desk::plan($other, 'lossless-vault'), $other)->marginPercent)->toBeGreaterThan(20);
});

it('learns how fast this machine is', function () {
    $plan = Desk::plan(Desk::reading(Probes::mezzanine()), 'lanternwick-generous@lanternwick');
    $slow = (new TimeEstimate(new Encoders, [TimeEstimate::key($plan) => 1_000_000]))->making($plan);
    expect($slow)->toBeGreaterThan(280.0)->toBeLessThan(300.0)
        ->and((new TimeEstimate(new Encoders, []))->making($plan))->toBeLessThan($slow)
        ->and(round(TimeEstimate::sending(5_000_000, 5_000_000), 2))->toBe(8.32);
});

it('says in a sentence what will be made', function () {
    $cut = Desk::reading(Probes::plain(['width' => 1920, 'height' => 1080]));
    $plans = [Desk::plan($cut, 'archive-10-bit'), Desk::plan($cut, 'lanternwick-even@lanternwick', ['sound' => 'none'])];
    expect(strtr(Recap::of([[$plans[0], 148_000_000, 9.0], [$plans[1], 12_800_000, 101.0]]), ["\u{2009}" => ' ']))
        ->toBe('A 10-bit master of ≈ 148 MB and an upload for Lanternwick of ≈ 12.8 MB. About 1 min 50 s to make. 1 caution and 1 note.')
        ->and(Recap::of([]))->toBe('Nothing is to be made yet.');
});
