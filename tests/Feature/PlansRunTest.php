<?php

use App\Models\WorkState;
use App\Packing\Packer;
use App\Shelf\CutShelf;
use Illuminate\Support\Facades\File;
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
        $edits['video'] = ['codec' => $codec->id(), 'effort' => 'fast'] + ($profiles === [] ? [] : ['profile' => $pick($profiles)]);
        $edits['container'] = [
            'set' => $pick(
                array_keys(
                    array_filter(
                        $catalogue->containers(),
                        fn ($container): bool => in_array($codec->id(), $container->videoCodecs(), true),
                    ),
                ),
            ),
        ];
        $sounds = $catalogue->container($edits['container']['set'])->audioCodecs();
        $edits['audio'] = $sounds === [] ? 'none' : ['codec' => $pick($sounds)];
    }
    if (mt_rand(0, 2) === 0) {
        $edits['frameSize'] = $pick([
            ['follow' => 'stored'],
            ['follow' => 'displayed'],
            ['fit' => '256×144'],
            ['exact' => '320×240'],
            ['exact' => '180×320', 'shape' => 'crop'],
            ['exact' => '256×256', 'shape' => 'stretch'],
            ['step' => -1],
            ['exact' => '720×576', 'display' => 'nearest'],
        ]);
    }
    if (mt_rand(0, 3) === 0) {
        $edits['frameRate'] = $pick([
            ['exact' => '24'],
            ['exact' => '30000/1001', 'by' => 'blend'],
            ['exact' => '50'],
            ['exact' => '60', 'by' => 'motion'],
            ['atLeast' => '40'],
            ['halve' => true],
            ['fields' => 'keep'],
            ['fields' => 'blend'],
        ]);
    }
    if (mt_rand(0, 2) === 0) {
        $edits['bitrate'] = $pick([
            ['mode' => 'cbr', 'average' => ['kbps' => 900]],
            ['mode' => 'vbr', 'passes' => 2, 'average' => ['bitsPerPixel' => 0.3]],
            ['mode' => 'quality'],
            ['mode' => 'vbr', 'average' => ['bytes' => 400_000]],
        ]);
    }
    if (mt_rand(0, 3) === 0) {
        $edits['keyframes'] = $pick([
            ['frames' => 3, 'bFrames' => 0],
            ['seconds' => 1, 'bFrames' => 3, 'pyramid' => true],
            ['seconds' => 2, 'closed' => false, 'references' => 2],
        ]);
    }
    if (mt_rand(0, 4) === 0) {
        $edits['colour'] = $pick([
            ['bitDepth' => 8],
            ['bitDepth' => 10],
            ['chroma' => '4:2:0'],
            ['chroma' => '4:4:4'],
            ['convert' => 'bt709'],
            ['convert' => 'bt601-525', 'dither' => 'error-diffusion'],
            ['convert' => 'bt2020', 'bitDepth' => 10],
            ['tag' => 'bt709', 'gamma' => 1.2],
            ['range' => 'full'],
            ['tag' => 'none'],
        ]);
    }
    if (mt_rand(0, 4) === 0 && ! isset($edits['audio'])) {
        $edits['audio'] = $pick([['tracks' => 'all'], ['channels' => 1], ['sampleRate' => 44_100], ['loudness' => -16]]);
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
        $kind = $pick([
            'plain',
            'ten-bit',
            'tape',
            'uneven',
            'turned',
            'hdr',
            'silent',
            'squeezed',
            'surround',
            'timecode',
            'see-through',
            'upright',
            'numbered-stream',
        ]);
        $cut = $cuts[$kind] ??= app(CutShelf::class)->bringIn(Clips::make($kind), null, false);
        $reading = $cut->reading();
        $host = $pick([null, null, ...Desk::hosts()]);
        $output = ['preset' => $pick(Desk::presets()), 'host' => $host, 'edits' => randomEdits($pick, $catalogue)];
        $first = mt_rand(0, min(6, $reading->length() - 1));
        $columns = $this->columns($cut, [$output], new FrameRange($first, min($reading->length() - 1, $first + mt_rand(3, 9))));
        if ($columns[0]->isStopped()) {
            continue;
        }
        $ran++;
        $run = $this->make(app(Packer::class)->pack($cut, $columns, $this->folder('out'))[0]);
        $told = "{$kind} ".json_encode($output);
        expect($run->work->state)->toBe(WorkState::Done, "{$told}: {$run->work->error}");
        $differs = array_filter($run->slip['differences'], fn (array $difference): bool => $difference['cell'] !== 'bitrate');
        expect(array_column($differs, 'text'))->toBe([], $told);
        is_dir($run->file) ? File::deleteDirectory($run->file) : unlink($run->file);
    }
    expect($ran)->toBe(25);
})->with(range(1, 8));
