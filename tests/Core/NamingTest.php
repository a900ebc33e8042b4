<?php

use OuterCrate\Naming\FileName;
use OuterCrate\Naming\NameTemplate;
use OuterCrate\Planning\Subject;
use Tests\Support\Desk;
use Tests\Support\Probes;

function named(array $edits, array $taken = [], string $cut = 'Night firing', string $output = 'lanternwick-even@lanternwick')
{
    $reading = Desk::reading(Probes::plain(['width' => 1280, 'height' => 720]));

    return Desk::column(
        $reading,
        $output,
        $edits,
        subject: new Subject($reading, cutName: $cut, taken: fn (string $path): bool => in_array($path, $taken, true)),
    );
}

it('names files so that every system takes them', function (string $cut, string $expected) {
    expect(FileName::safe($cut))->toBe($expected);
})->with([
    ['Night firing', 'Night firing'],
    ['a/b\\c:d*e?f"g<h>i|j', 'a-b-c-d-e-f-g-h-i-j'],
    ["two\nlines\tand a tab", 'two-lines-and a tab'],
    [' ..hidden.. ', 'hidden'],
    ['...', 'untitled'],
    ['con', 'con-'],
    ['LPT1.old', 'LPT1.old-'],
    ["\xFF\xFE", mb_scrub("\xFF\xFE") === '??' ? '-' : mb_scrub("\xFF\xFE")],
    [str_repeat('ü', 300), str_repeat('ü', 90)],
    [str_repeat('ü', 300).'.mp4', str_repeat('ü', 88).'.mp4'],
]);

it('fills a name', function (string $template, string $expected, array $taken = []) {
    expect(named(['file' => ['template' => $template]], $taken)->plan->file->path())->toBe($expected);
})->with([
    'everything' => ['{cut} {role} {host} {height}p{fps} v{n}', 'Night firing upload Lanternwick 720p25 v1.mp4'],
    'the next free version in its place' => ['{cut} v{n}', 'Night firing v3.mp4', ['Night firing v1.mp4', 'Night firing v2.mp4']],
    'a version is added where the name has no place for it' => ['{cut}', 'Night firing v2.mp4', ['Night firing.mp4']],
    'what no system takes is left out' => ['{cut}: 50 % <best>', 'Night firing- 50 % -best-.mp4'],
    'codec and preset' => ['{codec}, {preset} {width}', 'H.264, Lanternwick, even 1280.mp4'],
]);

it('leaves no separators behind where a field is empty', function () {
    expect(named(['file' => ['template' => '{cut} - {host} - {height}']], output: 'review-720')->plan->file->name)
        ->toBe('Night firing - 720.mp4')
        ->and((new NameTemplate('{host}_{cut}'))->fill(['host' => '', 'cut' => 'x'], 1))
        ->toBe('x');
});

it('puts files into folders below the one for deliveries, and nowhere else', function (string $folder, ?string $expected) {
    $plan = named(['file' => ['folder' => $folder]]);
    expect($plan->isStopped())
        ->toBe($expected === null)
        ->and($plan->plan->file->folder)
        ->toBe($expected ?? '');
})->with([
    ['uploads/{host}', 'uploads/Lanternwick'],
    ['a//b', 'a/b'],
    ['../secret', null],
    ['/etc', null],
    ['a/./b', null],
    ['{when}', null],
]);

it('says what a name can have in it', function (string $template, string $said) {
    $plan = named(['file' => ['template' => $template]]);
    expect($plan->findings[0]->text)
        ->toContain($said)
        ->and($plan->findings[0]->severity->value)
        ->toBe('stop')
        ->and($plan->plan->file->name)
        ->toBe('Night firing Lanternwick.mp4');
})->with([['{cut} {day}', 'no field “{day}”'], ['   ', 'at least a letter'], ['{cut', 'each brace its partner']]);
