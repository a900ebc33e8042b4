<?php

/*
 * Making master and upload through the queue, against the same engine commands run by hand: the median of three rounds, taken in turns.
 */

use App\Desk\CutDesk;
use App\Models\Run;
use App\Models\WorkState;
use App\Packing\Packer;
use App\Shelf\CutShelf;
use Illuminate\Support\Facades\DB;
use OuterCrate\Encoding\PassBuilder;
use Symfony\Component\Process\Process;

require __DIR__.'/bench.php.inc';

$path = "{$scratch}/media/bench.mov";
(new Process(
    [
        'ffmpeg', '-v', 'error', '-f', 'lavfi', '-i', 'testsrc2=s=1280x720:r=25:d=10,noise=alls=7:allf=t', '-f', 'lavfi', '-i',
        'sine=r=48000:d=10', '-c:v', 'prores', '-profile:v', '3', '-pix_fmt', 'yuv422p10le', '-c:a', 'pcm_s24le',
        $path,
    ],
    timeout: 300,
))->mustRun();
$cut = app(CutShelf::class)->bringIn($path);
$outputs = [['preset' => 'archive-10-bit', 'host' => null], ['preset' => 'lanternwick-generous', 'host' => 'lanternwick']];

// The worker is there before anything is packed, as under bin/start.
$worker = new Process(['php', 'artisan', 'crate:work', '--kinds=make', '--quiet'], base_path(), null, null, null);
$worker->start();
sleep(1);
$passes = app(PassBuilder::class);
$ratios = [];
for ($round = 1; $round <= 3; $round++) {
    $begun = hrtime(true);
    $columns = app(CutDesk::class)->columns($cut, $cut->reading(), $outputs, null, "{$scratch}/out");
    $runs = app(Packer::class)->pack($cut, $columns, "{$scratch}/out");
    while (Run::underWay()->whereKey($runs->modelKeys())->exists()) {
        usleep(250_000); // asking more often takes time from the encoders that are being measured
    }
    $queued = hrtime(true) - $begun;
    foreach ($runs as $run) {
        if ($run->refresh()->work->state !== WorkState::Done) {
            throw new RuntimeException("A run failed: {$run->work->error}");
        }
    }
    $begun = hrtime(true);
    foreach ($runs as $i => $run) {
        foreach ($passes->passes($columns[$i]->plan, $cut->reading()) as $pass) {
            (new Process(
                [
                    'nice', '-n', '10', 'ffmpeg', '-v', 'error', '-nostdin', '-y', '-i',
                    $path,
                    ...$pass->arguments,
                    $pass->writes ? "{$scratch}/out/by-hand-{$i}.".pathinfo($run->file, PATHINFO_EXTENSION) : '-',
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
