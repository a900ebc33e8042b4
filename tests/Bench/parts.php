<?php

/*
 * One long file on two machines: the same cut made in parts by two workers, each held to a core of its own under a name of its own, and
 * as a whole by one such worker. Time, size, and what both keep of the cut.
 *
 * usage: bin/bench parts [SECONDS [ROUNDS [KBPS]]]    76 seconds, one round, and constant quality instead of two passes
 */

use App\Desk\CutDesk;
use App\Models\PresentWorker;
use App\Models\Run;
use App\Models\RunLog;
use App\Models\WorkState;
use App\Packing\Packer;
use App\Shelf\CutShelf;
use Symfony\Component\Process\Process;

require __DIR__.'/bench.php.inc';

[$seconds, $rounds] = [(int) ($argv[1] ?? 76), (int) ($argv[2] ?? 1)];
$path = "{$scratch}/media/long.mov";
$scene = "mandelbrot=s=1280x720:r=25:maxiter=300:end_pts={$seconds}*20,noise=alls=3:allf=t";
(new Process([
    'ffmpeg', '-v', 'error', '-f', 'lavfi', '-i', $scene, '-f', 'lavfi', '-i', 'sine=r=48000', '-t', (string) $seconds, '-c:v', 'prores',
    '-pix_fmt', 'yuv422p10le', '-c:a', 'pcm_s24le', $path,
], timeout: 3600))->mustRun();
$cut = app(CutShelf::class)->bringIn($path, null, false);
$output = ['preset' => 'lossless-vault', 'edits' => [
    'video' => ['codec' => 'h264', 'effort' => 'slow'], 'container' => ['set' => 'mp4'], 'audio' => ['codec' => 'aac'],
    'colour' => ['bitDepth' => 8],
    'bitrate' => isset($argv[3])
        ? ['mode' => 'vbr', 'passes' => 2, 'average' => ['kbps' => (int) $argv[3]], 'peak' => ['timesAverage' => 2]]
        : ['mode' => 'quality', 'quality' => 22],
    'keyframes' => ['seconds' => 2, 'closed' => true, 'bFrames' => 3],
]];
$worker = function (int $core) use ($surroundings): Process {
    $command = ['taskset', '--cpu-list', (string) $core, PHP_BINARY, 'artisan', 'crate:work', '--groups=files'];
    $process = new Process($command, base_path(), $surroundings + ['CRATE_MACHINE' => "core-{$core}"], timeout: null);
    $process->start();

    return $process;
};
$made = function (int $cores) use ($worker, $cut, $output, $scratch): array {
    PresentWorker::query()->delete();
    $workers = array_map($worker, range(0, $cores - 1));
    while (PresentWorker::query()->count() < $cores) {
        usleep(50_000);
    }
    $columns = app(CutDesk::class)->columns($cut, $cut->reading(), [$output], null, "{$scratch}/out");
    $begun = hrtime(true);
    $run = app(Packer::class)->pack($cut, $columns, "{$scratch}/out")[0];
    while (! $run->work->refresh()->state->isOver()) {
        usleep(50_000);
    }
    $took = (hrtime(true) - $begun) / 1e9;
    array_map(fn (Process $process) => $process->stop(10), $workers);
    $run->work->state === WorkState::Done ?: throw new RuntimeException("A run failed: {$run->work->error}");

    return [$run->refresh(), $took];
};
/** Mean SSIM against the cut, in dB. */
$kept = function (Run $run) use ($path): float {
    $compared = ['-i', $run->file, '-i', $path, '-lavfi', '[1:v]format=yuv420p[c];[0:v][c]ssim', '-f', 'null', '-'];
    $process = new Process(['ffmpeg', '-v', 'info', '-nostats', ...$compared], timeout: 3600);
    $process->mustRun();
    preg_match('~All:[\d.]+ \(([\d.]+)\)~', $process->getErrorOutput(), $m);

    return (float) ($m[1] ?? NAN);
};
/** What two of this machine's cores do of the bare engine's work in the time of one: half of it, if neither is in the other's way. */
$bare = function (int $cores) use ($path): float {
    $command = [
        'ffmpeg', '-v', 'error', '-i', $path, '-t', '8', '-pix_fmt', 'yuv420p', '-c:v', 'libx264', '-preset', 'slow', '-crf', '22', '-an',
        '-f', 'null', '-',
    ];
    $begun = hrtime(true);
    $pinned = fn (int $core): Process => new Process(['taskset', '--cpu-list', (string) $core, ...$command], timeout: 3600);
    $all = array_map($pinned, range(0, $cores - 1));
    array_map(fn (Process $process) => $process->start(), $all);
    array_map(fn (Process $process) => $process->wait(), $all);

    return (hrtime(true) - $begun) / 1e9;
};
$allowed = $bare(2) / (2 * $bare(1));
figure('Bare engine, twice at once, one core each / one after another', sprintf('%.3f ×', $allowed), 'what this machine allows');
for ($round = 0; $round < $rounds; $round++) {
    [$parts, $ofTwo] = $made(2);
    [$whole, $ofOne] = $made(1);
    $times = fn (Run $run): string => RunLog::query()->where('run_id', $run->id)->whereNotNull('seconds')->orderBy('id')->pluck('seconds')
        ->map(fn ($took): string => sprintf('%.1f', $took))->implode(' ');
    $divided = RunLog::query()->where('run_id', $parts->id)->where('text', 'like', 'Divided%')->value('text') ?? 'not divided';
    figure("In parts by two, one core each / whole by one ({$divided})", sprintf('%.3f ×', $ofTwo / $ofOne), 'at most 0.60 ×');
    figure('seconds', sprintf('%.1f / %.1f', $ofTwo, $ofOne), '');
    figure('of each step, in parts', $times($parts), '');
    figure('of each step, whole', $times($whole), '');
    figure('size', sprintf('%+.2f %%', 100 * ($parts->slip['bytes'] / $whole->slip['bytes'] - 1)), 'within 1 %');
    figure('SSIM', sprintf('%+.4f dB', $kept($parts) - $kept($whole)), 'within 0.05 dB');
    figure('differences told on the slips', (string) (count($parts->slip['differences']) + count($whole->slip['differences'])), 'none');
}
