<?php

use App\Media\CutShelf;
use App\Models\RunState;
use App\Packing\Packer;
use App\Planning\Planning;
use OuterCrate\Formats\Catalogue;
use OuterCrate\Units\FrameRange;
use Tests\Support\Clips;
use Tests\Support\Desk;

/** A change that a person could make; many of them make no sense together. */
function randomEdits(Closure $pick, Catalogue $catalogue): array
{
    $edits = [];
    if (mt_rand(0, 2) === 0) {
        $codec = $pick(array_values($catalogue->videoCodecs()));
        $profiles = array_keys($codec->profiles());
        $edits['picture'] = ['codec' => $codec->id(), 'effort' => 'fast'] + ($profiles === [] ? [] : ['profile' => $pick($profiles)]);
        $edits['container'] = ['set' => $pick(array_keys(array_filter($catalogue->containers(), fn ($container): bool => in_array($codec->id(), $container->videoCodecs(), true))))];
        $edits['sound'] = ['codec' => $pick($catalogue->container($edits['container']['set'])->audioCodecs())];
    }
    if (mt_rand(0, 2) === 0) {
        $edits['frameSize'] = $pick([['follow' => 'stored'], ['follow' => 'displayed'], ['fit' => '256×144'], ['exact' => '320×240'], ['exact' => '180×320', 'shape' => 'crop'], ['exact' => '256×256', 'shape' => 'stretch'], ['step' => -1]]);
    }
    if (mt_rand(0, 3) === 0) {
        $edits['frameRate'] = ['exact' => $pick(['24', '25', '30000/1001', '50', '60'])];
    }
    if (mt_rand(0, 2) === 0) {
        $edits['rate'] = $pick([['mode' => 'cbr', 'average' => ['kbps' => 900]], ['mode' => 'vbr', 'passes' => 2, 'average' => ['bitsPerPixel' => 0.3]], ['mode' => 'quality'], ['mode' => 'vbr', 'average' => ['bytes' => 400_000]]]);
    }
    if (mt_rand(0, 3) === 0) {
        $edits['keyframes'] = $pick([['frames' => 3, 'bFrames' => 0], ['seconds' => 1, 'bFrames' => 3, 'pyramid' => true], ['seconds' => 2, 'closed' => false, 'references' => 2]]);
    }
    if (mt_rand(0, 4) === 0) {
        $edits['colour'] = $pick([['bitDepth' => 8], ['bitDepth' => 10], ['chroma' => '4:2:0'], ['chroma' => '4:4:4']]);
    }

    return $edits;
}

it('makes of any plan that is not stopped the file that was planned', function (int $seed) {
    mt_srand($seed);
    $pick = fn (array $from): mixed => $from[mt_rand(0, count($from) - 1)];
    $catalogue = new Catalogue;
    $ran = 0;
    $cuts = [];
    for ($i = 0; $i < 60 && $ran < 25; $i++) {
        $kind = $pick(['plain', 'ten-bit', 'tape', 'uneven', 'turned', 'hdr', 'silent', 'squeezed', 'surround', 'timecode', 'see-through', 'upright', 'numbered-stream']);
        $cut = $cuts[$kind] ??= app(CutShelf::class)->bringIn(Clips::make($kind), null, false);
        $reading = $cut->reading();
        $host = $pick([null, null, ...Desk::hosts()]);
        $output = ['preset' => $pick(Desk::presets()), 'host' => $host, 'edits' => randomEdits($pick, $catalogue)];
        $first = mt_rand(0, min(6, $reading->length() - 1));
        $plans = app(Planning::class)->plans($reading, [$output], $this->folder('out'), new FrameRange($first, min($reading->length() - 1, $first + mt_rand(3, 9))));
        if ($plans[0]->isStopped()) {
            continue;
        }
        $ran++;
        $run = app(Packer::class)->queue($cut, $plans, $this->folder('out'), dispatch: false)[0];
        app(Packer::class)->make($run);
        $run->refresh();
        $told = "{$kind} ".json_encode($output);
        expect($run->state)->toBe(RunState::Done, "{$told}: {$run->error}");
        $differs = array_filter($run->slip['differences'], fn (array $difference): bool => $difference['cell'] !== 'rate');
        expect(array_column($differs, 'text'))->toBe([], $told);
        unlink($run->file);
    }
    expect($ran)->toBe(25);
})->with(range(1, 8));
