<?php

use OuterCrate\Formats\Catalogue;
use OuterCrate\Planning\OutputSpec;
use OuterCrate\Planning\Sheet\Cells;
use OuterCrate\Planning\Sheet\Planner;
use OuterCrate\Planning\Sheet\RuleWords;
use OuterCrate\Planning\Subject;
use OuterCrate\Planning\Values\Value;
use OuterCrate\Presets\Preset;
use OuterCrate\Presets\Rules;
use Tests\Support\Desk;
use Tests\Support\Probes;

it('fixes what a cut decided, so that the rules alone come to the same', function (string $slug, array $probe, array $edits) {
    $reading = Desk::reading($probe);
    $made = Desk::preset($slug);
    $plan = Desk::plan($reading, $made->host === null ? $slug : "{$slug}@{$made->host}", $edits);
    $fixed = [];
    foreach ((new Cells)->all() as $name => $cell) {
        $fixed[$name] = $cell->fixed($plan) ?? $plan->rules->rules[$name] ?? null;
    }
    $fixed = array_filter($fixed, fn (mixed $rule): bool => $rule !== null);
    expect(Desk::fits($fixed, 'rules.json'))->toBeTrue(json_encode($fixed));

    // To no host, and with nothing but the fixed rules.
    $cells = new Cells;
    $preset = new Preset('fixed', 'Fixed', $made->role, null, '', new Rules($fixed), $made->device);
    $again = (new Planner(new Catalogue, $cells))->plan(new Subject($reading), new OutputSpec($preset, null, new Rules([])));
    $labels = fn (array $values): array => array_map(
        fn (Value $value): string => $value->toArray()['label'],
        array_diff_key($values, ['file' => 0]),
    );
    expect($again->refused)->toBe([])->and($labels($again->values))->toBe($labels($plan->values));
})->with(Desk::presets())->with([
    'a plain cut' => [Probes::plain(), []],
    'a mezzanine' => [Probes::mezzanine(), []],
    'a tape' => [Probes::tape(), []],
    'HDR' => [Probes::hdr(), []],
    'changed by hand' => [
        Probes::plain(['width' => 1920, 'height' => 1080]),
        ['frameSize' => ['exact' => '1080×1080', 'shape' => 'crop'], 'keyframes' => ['seconds' => 3], 'audio' => ['loudness' => -16]],
    ],
]);

it('says a rule in the words of the sheet', function (string $cell, mixed $rule, string $words) {
    $cells = new Cells;
    $said = (new RuleWords($cells, new Catalogue))->of($cells->get($cell), $rule);
    expect(str_replace("\u{2009}", ' ', $said))->toBe($words);
})->with([
    ['frameSize', ['fit' => '1920×1080'], 'Inside 1920×1080'],
    ['frameSize', ['follow' => 'displayed', 'bars' => 'trim'], 'Follow, as displayed, black bars leave out'],
    ['frameSize', ['exact' => '1000×1000', 'shape' => 'crop'], 'frame 1000×1000, shapes differ crop'],
    ['frameRate', 'follow', 'Follow'],
    ['frameRate', ['atLeast' => '50', 'by' => 'blend'], 'At least 50 fps, new frames blend'],
    ['video', ['codec' => 'h264', 'profile' => 'high', 'effort' => 'slow'], 'H.264 High, effort slow'],
    ['video', 'host', 'As the host asks'],
    ['bitrate', ['mode' => 'vbr', 'passes' => 2, 'average' => ['timesAsk' => 1.8], 'peak' => ['timesAverage' => 1.5]],
        'VBR, 2 passes, host’s ask × 1.8, peak 1.5 × the average'],
    ['bitrate', ['mode' => 'quality', 'quality' => 19, 'peak' => ['kbps' => 40000]], 'Constant quality 19, peak 40 Mb/s'],
    ['keyframes', 'intra', 'Every frame'],
    ['keyframes', ['seconds' => 2.0, 'closed' => true, 'bFrames' => 2, 'references' => 1], 'Every 2 s · closed · 2 B, references 1'],
    ['audio', ['as' => 'host', 'loudness' => -16], 'As the host asks, loudness -16 LUFS'],
    ['colour', ['bitDepth' => 10, 'chroma' => '4:2:0'], 'bits 10-bit, chroma 4:2:0'],
    ['container', ['set' => 'mp4', 'fastStart' => true], 'MP4 · fast start'],
    ['file', ['template' => '{cut} sound'], 'template {cut} sound'],
    ['audio', [], ''],
    ['audio', null, ''],
]);

it('says something of every rule that ships', function (string $slug) {
    $words = new RuleWords(new Cells, new Catalogue);
    $preset = Desk::preset($slug);
    $said = array_filter($words->all($preset->rules), fn (string $text): bool => $text !== '');
    expect(array_keys($said))->toEqualCanonicalizing(array_keys($preset->rules->rules));
})->with(Desk::presets());
