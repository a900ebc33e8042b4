<?php

use OuterCrate\Reading\ProbeReader;
use OuterCrate\Reading\Reading;
use Tests\Support\Desk;

/** The demo cuts as the prober reads them (tests/Support/demo/write.php). */
function demoCut(string $name): Reading
{
    $kept = json_decode((string) file_get_contents(__DIR__."/../Support/demo/{$name}.json"), true);

    return (new ProbeReader)->read($kept['probe'], $kept['bytes'], $kept['fastStart']);
}

const DEMO = [
    'drying-racks.mp4', 'ember-study.mov', 'glaze-tapes.mpg', 'kiln-night-firing.mov', 'kiln-walk.mp4', 'screen-notes.mkv',
    'studio-short.mov', 'wheel-study.mp4',
];

/** Where a preset makes no sense for a cut, and the finding that says so: nothing else may stop. */
const SENSELESS = [
    'exchange-vc-3' => ['drying-racks.mp4' => 'container-refuses-rate'], // production knows no 15 fps
    // A disc at 15, 30, 59.94 or 60 fps: which of its own rates is to be taken is for a person to say, and the remedy offers one.
    'hd-disc' => [
        'drying-racks.mp4' => 'device-refuses-rate', 'kiln-walk.mp4' => 'device-refuses-rate', 'screen-notes.mkv' => 'device-refuses-rate',
        'studio-short.mov' => 'device-refuses-rate', 'wheel-study.mp4' => 'device-refuses-rate',
    ],
    // It has no sound.
    'sound-mp3' => ['drying-racks.mp4' => 'nothing-to-make'],
    'sound-wav' => ['drying-racks.mp4' => 'nothing-to-make'],
    // Lying pictures for a host of upright ones, larger than it takes.
    'tallgate-upright' => [
        'kiln-night-firing.mov' => 'frame-too-large-for-host', 'kiln-walk.mp4' => 'frame-too-large-for-host',
        'screen-notes.mkv' => 'frame-too-large-for-host', 'wheel-study.mp4' => 'frame-too-large-for-host',
    ],
];

it('plans every shipped preset without a stop on every demo cut where it makes sense', function (string $slug) {
    $host = Desk::preset($slug)->host;
    $stops = [];
    foreach (DEMO as $cut) {
        $stop = Desk::column(demoCut($cut), $host === null ? $slug : "{$slug}@{$host}")->firstStop();
        $stops += $stop === null ? [] : [$cut => $stop->id];
    }
    expect($stops)->toBe(SENSELESS[$slug] ?? [])->and(count($stops))->toBeLessThan(count(DEMO) - 2);
})->with(Desk::presets());
