<?php

/*
 * How near estimates come to the files that are made: six cuts in nine settings, each planned, sampled where that is
 * worthwhile, packed, and compared. Takes half an hour on two cores; arguments choose cuts and settings by name:
 * `estimates.php 'episode|grain' 'VBR$'`.
 */

use App\Desk\CutDesk;
use App\Models\CutAnalysis;
use App\Models\Run;
use App\Packing\Packer;
use App\Sampling\Sampler;
use App\Shelf\CutShelf;
use App\Work\Worker;
use OuterCrate\Estimates\Sampling\Sampling;
use OuterCrate\Estimates\SizeEstimate;
use Symfony\Component\Process\Process;

require __DIR__.'/bench.php.inc';

$demo = base_path('storage/demo/media');
is_file("{$demo}/.made-by") || (new Process([base_path('demo/make-media'), $demo], null, null, null, null))->mustRun();
// Drawn from fixed seeds, so that two runs measure the same cuts.
$drawn = [
    'calm then busy' => 'color=0x506070:s=320x180:r=25:d=20[a];testsrc2=s=320x180:r=25:d=25[b];[a][b]concat',
    // Longer than one pass of rate control takes to find its average.
    'grain, long' => 'gradients=s=320x180:r=25:d=50:speed=0.02:seed=7:n=2:c0=0x604838:c1=0xb8c0a8:x0=0:y0=0:x1=319:y1=179,'
        .'noise=alls=10:allf=t:all_seed=7',
];
// Cuts of the demo, slowed down and joined to the length of an episode's parts: these are told by pieces, shorter ones are encoded whole.
$shot = fn (
    string $file,
    float $slower,
    string $more = '',
): string => "movie={$demo}/{$file},setpts={$slower}*PTS,scale=320:180,setsar=1,fps=25,format=yuv420p{$more}";
$filmed = [
    'sixteen frames' => $shot('kiln-walk.mp4', 1, ',trim=end_frame=16'),
    'thirty-one frames' => $shot('wheel-study.mp4', 1, ',trim=end_frame=31'),
    'episode' => implode(';', [
        $shot('kiln-night-firing.mov', 1, '[a]'),
        $shot('wheel-study.mp4', 2, '[b]'),
        $shot('drying-racks.mp4', 1, '[c]'),
        $shot('kiln-walk.mp4', 2, '[d]'),
        $shot('glaze-tapes.mpg', 2, '[e]'),
        '[a][b][c][d][e]concat=n=5',
    ]),
];
$chosen = fn (string $name): bool => preg_match('~'.($argv[1] ?? '').'~i', $name) === 1;
$paths = array_filter(
    ["{$demo}/wheel-study.mp4"],
    fn (string $path): bool => $chosen(basename($path)),
);
foreach (array_filter([...$drawn, ...$filmed], $chosen, ARRAY_FILTER_USE_KEY) as $name => $graph) {
    $paths[] = $path = "{$scratch}/media/{$name}.mp4";
    (new Process(
        [
            'ffmpeg', '-v', 'error', '-f', 'lavfi', '-i',
            $graph,
            '-c:v',
            'libx264',
            '-preset',
            'veryfast',
            '-crf',
            '14',
            '-pix_fmt',
            'yuv420p',
            $path,
        ],
        null,
        null,
        null,
        null,
    ))->mustRun();
}
$settings = [
    'bitrate' => [
        'H.264 VBR' => ['preset' => 'lanternwick-even', 'host' => 'lanternwick', 'edits' => []],
        'H.264 VBR x2' => ['preset' => 'lanternwick-generous', 'host' => 'lanternwick', 'edits' => []],
        'HEVC under 2 MB' => [
            'preset' => 'slow-line',
            'host' => null,
            'edits' => [
                'video' => ['codec' => 'hevc', 'effort' => 'fast'],
                'bitrate' => ['mode' => 'vbr', 'average' => ['bytes' => 2_000_000]],
            ],
        ],
    ],
    'sampled' => [
        'H.264 quality 20' => ['preset' => 'review-720', 'host' => null, 'edits' => ['bitrate' => ['mode' => 'quality', 'quality' => 20]]],
        'HEVC quality 24' => ['preset' => 'slow-line', 'host' => null, 'edits' => ['video' => ['codec' => 'hevc', 'effort' => 'fast']]],
        'ProRes 422 HQ' => ['preset' => 'archive-10-bit', 'host' => null, 'edits' => []],
        'FFV1' => ['preset' => 'lossless-vault', 'host' => null, 'edits' => []],
        'AV1 quality' => [
            'preset' => 'review-720',
            'host' => null,
            'edits' => ['video' => ['codec' => 'av1', 'effort' => 'fast'], 'bitrate' => ['mode' => 'quality']],
        ],
        'MPEG-2 quality' => [
            'preset' => 'review-720',
            'host' => null,
            'edits' => [
                'container' => ['set' => 'mpeg-ps'],
                'video' => ['codec' => 'mpeg2video'],
                'bitrate' => ['mode' => 'quality'],
                'frameRate' => ['exact' => '25'],
                'audio' => ['codec' => 'ac3'],
            ],
        ],
    ],
];
$errors = ['bitrate' => [], 'sampled' => [], 'pieces' => [], 'whole' => [], 'rough' => [], 'cost' => [], 'over' => []];
foreach ($paths as $path) {
    $cut = app(CutShelf::class)->bringIn($path);
    app(Worker::class)->one([CutAnalysis::WORK]);
    $cut->refresh();
    $reading = $cut->reading();
    foreach ($settings as $kind => $outputs) {
        foreach ($outputs as $name => $output) {
            if (preg_match('~'.($argv[2] ?? '').'~', $name) !== 1) {
                continue;
            }
            $column = app(CutDesk::class)->columns($cut, $reading, [$output], null, "{$scratch}/out")[0];
            $plan = $column->plan;
            if ($column->isStopped()) {
                continue;
            }
            $rough = SizeEstimate::of($plan, $reading)->bytes;
            $begun = microtime(true);
            $sample = null;
            if (Sampling::isWorthwhile($plan)) {
                $sample = app(Sampler::class)->sample($cut->path, $reading, $cut->found(), $plan);
            }
            $sampling = microtime(true) - $begun;
            $estimate = SizeEstimate::of($plan, $reading, $sample);
            $run = app(Packer::class)->pack($cut, [$column], "{$scratch}/out")[0];
            app(Worker::class)->one([Run::WORK], only: [$run->work->id]);
            $run->refresh();
            $bytes = $run->slip['bytes'] ?? null;
            if ($bytes === null) {
                fwrite(STDERR, "{$cut->name}, {$name}: {$run->work->error}\n");

                continue;
            }
            $errors[$kind][] = abs($estimate->bytes / $bytes - 1);
            if ($plan->bitrate->target !== null) {
                $errors['over'][] = $bytes / $plan->bitrate->target;
            }
            if ($kind === 'sampled') {
                $errors['rough'][] = abs($rough / $bytes - 1);
                if ($sample !== null) {
                    $errors[$sample->frames < $plan->frames ? 'pieces' : 'whole'][] = abs($estimate->bytes / $bytes - 1);
                }
                $errors['cost'][] = $sampling / max(0.1, $run->slip['madeIn']);
            }
            fprintf(
                STDERR,
                "%-16s %-18s %9.3f MB  estimate %+6.1f %% (±%d %%, %s)  rough %+7.1f %%\n",
                mb_strimwidth($cut->name, 0, 16),
                $name,
                $bytes / 1e6,
                100 * ($estimate->bytes / $bytes - 1),
                $estimate->marginPercent,
                $estimate->basis,
                100 * ($rough / $bytes - 1),
            );
            is_dir($run->file) || unlink($run->file);
        }
    }
}
$percent = fn (array $values, float $share): string => $values === [] ? 'none' : sprintf('%.1f %%', 100 * percentile($values, $share));
figure(
    'size, average rate, error at the median ('.count($errors['bitrate']).' files)',
    $percent($errors['bitrate'], 0.5),
    'within 3 %',
);
figure('size, average rate, error at the 95th percentile', $percent($errors['bitrate'], 0.95), 'within 10 %');
figure('a size to stay under: the largest file of '.count($errors['over']), sprintf('%.3f x', max([0, ...$errors['over']])), 'at most 1');
figure(
    'size after sampling, error at the median ('.count($errors['sampled']).' files)',
    $percent($errors['sampled'], 0.5),
    'within 8 %',
);
figure('size after sampling, error at the 95th percentile', $percent($errors['sampled'], 0.95), 'within 20 %');
figure(
    '  of those from pieces, median ('.count($errors['pieces']).' files)',
    $percent($errors['pieces'], 0.5),
    'the others were encoded whole',
);
figure('  of those from pieces, 95th percentile', $percent($errors['pieces'], 0.95), 'the same');
figure('  of those encoded whole, the worst ('.count($errors['whole']).' files)', $percent($errors['whole'], 1), 'within 2 %');
figure('  the same before sampling, median', $percent($errors['rough'], 0.5), 'what sampling is for');
figure('  sampling against making, median', sprintf('%.2f x', percentile($errors['cost'] ?: [0], 0.5)), 'these cuts last seconds');
