<?php

namespace Tests\Support;

use App\Desk\CutDesk;
use App\Models\Cut;
use App\Models\Run;
use App\Packing\Packer;
use App\Shelf\CutShelf;
use App\Work\Worker;
use Closure;
use Generator;
use OuterCrate\Formats\Catalogue;
use OuterCrate\Units\FrameRange;

/** Makes files of plans that nobody thought of: random clips, presets, hosts and changes. */
final class RandomPlans
{
    private const KINDS = [
        'plain', 'ten-bit', 'tape', 'uneven', 'turned', 'hdr', 'silent', 'squeezed', 'surround', 'timecode', 'see-through', 'upright',
        'numbered-stream',
    ];

    /**
     * @param  int  $seed  the same one gives the same plans
     * @return Generator<string, Run> what it was made of, and the run
     */
    public static function made(int $seed, int $count, string $folder): Generator
    {
        mt_srand($seed);
        $pick = fn (array $from): mixed => $from[mt_rand(0, count($from) - 1)];
        $catalogue = new Catalogue;
        $cuts = [];
        for ($made = 0; $made < $count;) {
            $kind = $pick(self::KINDS);
            $cut = $cuts[$kind] ??= app(CutShelf::class)->bringIn(Clips::make($kind), null, false);
            $output = [
                'preset' => $pick(Desk::presets()),
                'host' => $pick([null, null, ...Desk::hosts()]),
                'edits' => self::edits($pick, $catalogue),
            ];
            $run = self::make($cut, $output, mt_rand(0, 6), mt_rand(3, 9), $folder);
            if ($run !== null) {
                $made++;
                yield "seed {$seed}, {$kind} ".json_encode($output) => $run;
            }
        }
    }

    /** Null where the plan is stopped, which is an answer, too. */
    private static function make(Cut $cut, array $output, int $first, int $frames, string $folder): ?Run
    {
        $reading = $cut->reading();
        $first = min($first, $reading->length() - 1);
        $range = new FrameRange($first, min($reading->length() - 1, $first + $frames));
        $columns = app(CutDesk::class)->columns($cut, $reading, [$output], $range, $folder);
        if ($columns[0]->isStopped()) {
            return null;
        }
        $run = app(Packer::class)->pack($cut, $columns, $folder)[0];
        app(Worker::class)->one(['make'], only: [$run->work->id]);

        return $run->refresh();
    }

    /** A change that a person could make; many of them make no sense together. */
    private static function edits(Closure $pick, Catalogue $catalogue): array
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
            $samples = $pick([[], [], ['bitDepth' => 32], ['sampleRate' => 96_000]]);
            $edits['audio'] = $sounds === [] ? 'none' : ['codec' => $pick($sounds)] + $samples;
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
}
