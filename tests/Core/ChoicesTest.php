<?php

use OuterCrate\Formats\Catalogue;
use OuterCrate\Planning\Cells\Choice;
use OuterCrate\Planning\Sheet\Cells;
use Tests\Support\Desk;
use Tests\Support\Probes;

/** Whether a rule can be saved, and leads to a value of its cell. */
function works(array $edits, string $cell, string $output, string $told): void
{
    expect(Desk::fits($edits))->toBeTrue("{$told} cannot be saved");
    $column = Desk::column(Desk::reading(Probes::mezzanine()), $output, $edits);
    $refused = array_filter($column->findings, fn ($finding): bool => $finding->id === 'impossible-value' && $finding->cell === $cell);
    expect($refused)
        ->toBe([], $told)
        ->and(Desk::fits($column->plan->rules->rules, 'rules.json'))
        ->toBeTrue("{$told}, laid over the preset, is no rule");
}

it('offers nothing that a sheet does not take', function () {
    $offered = 0;
    foreach ((new Cells)->all() as $cell => $of) {
        $list = array_map(fn (Choice $choice): array => $choice->toArray(), $of->choices(new Catalogue));
        expect(array_unique(array_column($list, 'label')))->toHaveCount(count($list), "{$cell} offers two of one name");
        foreach ($list as $choice) {
            works([$cell => $choice['rule']], $cell, 'lanternwick-even@lanternwick', "{$cell}: {$choice['label']}");
            $offered++;
        }
    }
    expect($offered)->toBeGreaterThan(120);
});

it('offers named values that a sheet takes, and shows the one that holds', function () {
    foreach ((new Cells)->all() as $cell => $of) {
        foreach ($of->parts(true) as $offered) {
            $part = $offered->toArray();
            $values = match ($part['kind']) {
                'options' => array_column($part['options'], 'value'),
                'number' => [$part['least'], $part['most']],
                'switch' => [true, false],
                default => [],
            };
            foreach ($values as $value) {
                // HDR can only be made of what is HDR.
                if (str_starts_with((string) $value, 'bt2020-') && $part['key'] === 'convert') {
                    continue;
                }
                $value = is_float($value) && floor($value) === $value ? (int) $value : $value;
                works([$cell => [$part['key'] => $value]], $cell, 'review-720', "{$cell}: {$part['label']} ".json_encode($value));
            }
            $shown = Desk::plan(Desk::reading(Probes::mezzanine()), 'review-720')->toArray()['values'][$cell];
            expect(array_key_exists($part['key'], $shown))->toBeTrue("{$cell} does not say its {$part['key']}");
        }
    }
});

it('says in a few words what the host asks in each row', function (string $output, array $video, array $expected) {
    $asked = Desk::column(Desk::reading(Probes::plain($video)), $output)->asks;
    expect(array_map(fn (string $text): string => strtr($text, ["\u{2009}" => ' ']), $asked))->toBe($expected);
})->with([
    'an open site' => [
        'lanternwick-even@lanternwick',
        ['width' => 1920, 'height' => 1080],
        [
            'container' => 'MP4, fast start',
            'video' => 'H.264 High',
            'frameRate' => '≥ 24',
            'bitrate' => '9 Mb/s',
            'keyframes' => 'every 2 s, closed GOP, at most 2 B-frames in a row, no pyramid',
            'colour' => '4:2:0',
            'audio' => 'AAC 320 kb/s, 48 kHz, −15 LUFS',
        ],
    ],
    'below HD it asks no rate of frames' => [
        'lanternwick-even@lanternwick',
        ['width' => 640, 'height' => 360, 'avg_frame_rate' => '50/1'],
        [
            'container' => 'MP4, fast start',
            'video' => 'H.264 High',
            'bitrate' => '1.8 Mb/s',
            'keyframes' => 'every 2 s, closed GOP, at most 2 B-frames in a row, no pyramid',
            'colour' => '4:2:0',
            'audio' => 'AAC 320 kb/s, 48 kHz, −15 LUFS',
        ],
    ],
    'portfolio pages' => [
        'platen-1080@platen',
        ['width' => 1920, 'height' => 1080],
        ['container' => 'MP4 or MOV', 'video' => 'H.264 High', 'bitrate' => '12 Mb/s, at most 22 Mb/s', 'audio' => 'AAC 256 kb/s, 48 kHz'],
    ],
    'no host' => ['review-720', [], []],
]);
