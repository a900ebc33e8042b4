<?php

use App\Models\Cut;
use App\Models\Run;
use App\Shelf\CutShelf;
use Tests\Support\OddClips;
use Tests\TestCase;

uses(TestCase::class)->in('Feature');

/** Packs one output of a clip that was looked at, and gives its run. */
function delivered(string $kind, string $preset, array $edits, bool $analyse = false): Run
{
    $cut = app(CutShelf::class)->bringIn(test()->clip($kind), null, $analyse);
    $analyse && test()->work('analyse');
    $cut->refresh();

    return test()->made($cut, ['preset' => $preset, 'edits' => $edits]);
}

function unwanted(Run $run): array
{
    return array_values(
        array_filter(
            $run->slip['differences'] ?? [['cell' => 'none', 'text' => $run->work->error]],
            fn (array $difference): bool => $difference['cell'] !== 'bitrate',
        ),
    );
}

/** Packs the outputs through the queue and its worker, and gives the runs. */
function packed(int $cut, array $outputs, bool $again = false): array
{
    test()
        ->putJson("/api/cuts/{$cut}/sheet", [
            'outputs' => array_map(
                fn (array $output, int $i): array => ['key' => (string) $i, 'host' => null, 'edits' => (object) [], ...$output],
                $outputs,
                array_keys($outputs),
            ),
        ])
        ->assertOk();
    $queued = test()->answer(test()->post("/api/cuts/{$cut}/pack".($again ? '?again=1' : '')), 'pack-answer', 202);
    test()->work();

    return test()->answer(test()->getJson("/api/packs/{$queued['pack']}"), 'pack')['runs'];
}

/** A cut of numbered frames that is told or stored in an odd way. */
function oddCut(string $kind): Cut
{
    return app(CutShelf::class)->bringIn(OddClips::make($kind), null, false);
}
