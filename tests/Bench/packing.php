<?php

/*
 * Making master and upload through the queue, against the same engine commands run by hand: the median of three rounds, taken in turns.
 */

use App\Desk\CutDesk;
use App\Desk\Surroundings;
use App\Models\Run;
use App\Packing\Packer;
use App\Shelf\CutShelf;
use Illuminate\Support\Facades\DB;
use Symfony\Component\Process\Process;

require __DIR__.'/bench.php.inc';

$path = "{$scratch}/media/bench.mov";
(new Process(
    [
        'ffmpeg',
        '-v',
        'error',
        '-f',
        'lavfi',
        '-i',
        'testsrc2=s=1280x720:r=25:d=10,noise=alls=7:allf=t',
        '-f',
        'lavfi',
        '-i',
        'sine=r=48000:d=10',
        '-c:v',
        'prores',
        '-profile:v',
        '3',
        '-pix_fmt',
        'yuv422p10le',
        '-c:a',
        'pcm_s24le',
        $path,
    ],
    timeout: 300,
))->mustRun();
$cut = app(CutShelf::class)->bringIn($path);
$outputs = [['preset' => 'archive-10-bit', 'host' => null], ['preset' => 'lanternwick-generous', 'host' => 'lanternwick']];

// The worker is there before anything is packed, as under bin/start.
$worker = new Process(['php', 'artisan', 'queue:work', '--quiet', '--sleep=0.3', '--timeout=0'], base_path(), null, null, null);
$worker->start();
sleep(1);
$ratios = [];
for ($round = 1; $round <= 3; $round++) {
    $begun = hrtime(true);
    $runs = app(Packer::class)->queue(
        $cut,
        app(CutDesk::class)->plans(app(Surroundings::class)->of($cut, null, "{$scratch}/out"), $outputs),
        "{$scratch}/out",
    );
    while (
        Run::query()
            ->whereKey($runs->modelKeys())
            ->whereIn('state', ['waiting', 'running', 'checking'])
            ->exists()
    ) {
        usleep(250_000); // asking more often takes time from the encoders that are being measured
    }
    $queued = hrtime(true) - $begun;
    if (Run::query()->whereKey($runs->modelKeys())->where('state', 'done')->count() !== 2) {
        throw new RuntimeException('A run failed: '.Run::query()->pluck('error')->implode(' '));
    }
    $begun = hrtime(true);
    foreach ($runs as $i => $run) {
        foreach ($run->passes as $pass) {
            (new Process(
                [
                    'nice',
                    '-n',
                    '10',
                    'ffmpeg',
                    '-v',
                    'error',
                    '-nostdin',
                    '-y',
                    '-i',
                    $path,
                    ...$pass['arguments'],
                    $pass['writes'] ? "{$scratch}/out/by-hand-{$i}.".pathinfo($run->file, PATHINFO_EXTENSION) : '-',
                ],
                "{$scratch}/derived",
                timeout: 600,
            ))->mustRun();
        }
    }
    $ratios[] = $queued / (hrtime(true) - $begun);
}
$worker->stop();
DB::disconnect();
figure('Packing through the queue / the same commands by hand', sprintf('%.3f ×', percentile($ratios, 0.5)), 'at most 1.05 ×');
