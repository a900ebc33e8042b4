<?php

use OuterCrate\Presets\Rules;
use Tests\Support\Desk;
use Tests\Support\Probes;

$hd = ['width' => 1920, 'height' => 1080];

dataset('findings', [
    'rate-under-ask' => [Probes::mezzanine(), 'lanternwick-even@lanternwick', ['rate' => ['average' => ['kbps' => 4000]]]],
    'rate-above-cut' => [Probes::plain($hd), 'lanternwick-generous@lanternwick', []],
    'frame-enlarged' => [Probes::plain(), 'lanternwick-even@lanternwick', ['frameSize' => ['exact' => '1280×720']]],
    'frame-rate-changed' => [Probes::plain(), 'lanternwick-even@lanternwick', ['frameRate' => ['exact' => '30']]],
    'frame-rate-under-ask' => [Probes::plain($hd), 'lanternwick-even@lanternwick', ['frameRate' => ['exact' => '15']]],
    'codec-not-taken' => [Probes::mezzanine(), 'slow-line@lanternwick', []],
    'container-not-taken' => [Probes::mezzanine(), 'lanternwick-even@lanternwick', ['container' => ['set' => 'matroska']]],
    'container-cannot-hold' => [Probes::mezzanine(), 'archive-10-bit', ['container' => ['set' => 'mp4']]],
    'no-level' => [Probes::plain($hd), 'lanternwick-even@lanternwick', ['rate' => ['average' => ['kbps' => 1_500_000]]]],
    'codec-refuses-frame' => [Probes::plain(['width' => 854, 'height' => 480]), 'archive-10-bit', ['picture' => ['codec' => 'cfhd']]],
    'container-too-small' => [Probes::plain(['duration' => '7200', 'nb_frames' => '180000'] + $hd, format: ['duration' => '7200']), 'lossless-vault', ['container' => ['set' => 'avi'], 'picture' => ['codec' => 'utvideo'], 'sound' => ['codec' => 'pcm']]],
    'tags-lost' => [Probes::plain(), 'lossless-vault', ['container' => ['set' => 'avi'], 'picture' => ['codec' => 'utvideo'], 'sound' => ['codec' => 'pcm']]],
    'level-exceeded' => [Probes::plain($hd), 'lanternwick-even@lanternwick', ['picture' => ['codec' => 'h264', 'level' => '3']]],
    'stretched' => [Probes::plain(['width' => 640, 'height' => 480]), 'review-720', ['frameSize' => ['exact' => '1280×720', 'shape' => 'stretch']]],
    'too-few-bits' => [Probes::plain($hd), 'review-720', ['rate' => ['mode' => 'vbr', 'average' => ['kbps' => 600], 'peak' => ['kbps' => 900]]]],
    'constant-rate-padding' => [Probes::plain($hd), 'review-720', ['rate' => ['mode' => 'cbr', 'average' => ['kbps' => 40_000]]]],
    'no-sound' => [Probes::plain(), 'lanternwick-even@lanternwick', ['sound' => 'none']],
    'shape-differs' => [Probes::plain($hd), 'tallgate-upright@tallgate', []],
    'projection-missing' => [Probes::plain(['width' => 1920, 'height' => 960]), 'lanternwick-even@orrery', []],
    'hdr-to-sdr' => [Probes::hdr(), 'platen-1080@platen', []],
    'frame-too-large-for-host' => [Probes::plain(['width' => 2160, 'height' => 3840]), 'slow-line@tallgate', []],
    'too-long-for-host' => [Probes::plain(['duration' => '91', 'nb_frames' => '2275'], format: ['duration' => '91']), 'tallgate-upright@tallgate', []],
    'too-large-for-host' => [Probes::plain(['duration' => '80', 'nb_frames' => '2000'], format: ['duration' => '80']), 'tallgate-upright@tallgate', ['rate' => ['average' => ['kbps' => 40_000]]]],
]);

it('notices, with numbers and once', function (array $probe, string $output, array $edits) {
    $id = trim(explode('"', $this->dataName())[1] ?? $this->dataName());
    $plan = Desk::plan(Desk::reading($probe), $output, $edits);
    expect(array_count_values(Desk::findings($plan))[$id] ?? 0)->toBe(1);
    $finding = $plan->findings[array_search($id, Desk::findings($plan), true)];
    expect($finding->text)->toEndWith('.')->and(strlen($finding->text))->toBeGreaterThan(30);
    if ($finding->remedy !== null) {
        $patched = (new Rules($edits))->rules;
        foreach ($finding->remedy->patch as $cell => $rule) {
            $patched[$cell] = $rule;
        }
        $after = Desk::plan(Desk::reading($probe), $output, array_filter($patched, fn ($rule): bool => $rule !== null));
        expect(Desk::findings($after))->not->toContain($id)
            ->and($plan->isStopped() || ! $after->isStopped())->toBeTrue();
    }
})->with('findings');

it('notices frames that come unevenly', function () {
    $probe = Probes::plain() + ['packets' => array_map(fn (int $i): array => ['stream_index' => 0, 'pts_time' => (string) ($i / 30 + ($i % 4 === 0 ? 0.015 : 0))], range(0, 80))];
    $plan = Desk::plan(Desk::reading($probe), 'review-720');
    expect(Desk::findings($plan))->toContain('variable-frame-rate')->and($plan->frameRate->convert)->toBeTrue();
});

it('notices what this machine lacks', function () {
    $cut = Desk::reading(Probes::mezzanine(), 186_000_000);
    expect(Desk::findings(Desk::plan($cut, 'slow-line', encoders: ['aac', 'libx264'])))->toContain('encoder-missing')
        ->and(Desk::findings(Desk::plan($cut, 'lanternwick-even', encoders: ['aac', 'libx264'])))->not->toContain('encoder-missing')
        ->and(Desk::findings(Desk::plan($cut, 'archive-10-bit', free: 1_000_000)))->toContain('no-room')
        ->and(Desk::findings(Desk::plan($cut, 'archive-10-bit', free: 10 ** 12)))->not->toContain('no-room');
});

it('is quiet about ordinary work', function (string $output) {
    expect(Desk::findings(Desk::plan(Desk::reading(Probes::mezzanine(), 186_000_000), $output)))->toBe([]);
})->with(['archive-10-bit', 'lossless-vault', 'lanternwick-even@lanternwick', 'lanternwick-generous@lanternwick', 'platen-1080@platen', 'review-720', 'slow-line']);
