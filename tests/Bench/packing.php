<?php

/*
 * What the queue adds to the engine, and what it saves by decoding once: one upload through the queue against the same engine commands
 * run by hand; a master and two uploads of a cut of ten bits made together against the same ones made one after another. Medians of
 * three rounds, taken in turns.
 */

use App\Desk\CutDesk;
use App\Models\Run;
use App\Models\WorkState;
use App\Packing\Packer;
use App\Shelf\CutShelf;
use App\Work\Worker;
use Illuminate\Support\Facades\File;
use OuterCrate\Encoding\PassBuilder;
use Symfony\Component\Process\Process;

require __DIR__.'/bench.php.inc';

$path = "{$scratch}/media/bench.mov";
(new Process(
    [
        'ffmpeg', '-v', 'error', '-f', 'lavfi', '-i', 'mandelbrot=s=1280x720:r=25:maxiter=300,noise=alls=6:allf=t', '-f', 'lavfi', '-i',
        'sine=r=48000', '-t', '10', '-c:v', 'prores', '-profile:v', '3', '-pix_fmt', 'yuv422p10le', '-c:a', 'pcm_s24le',
        $path,
    ],
    timeout: 300,
))->mustRun();
$cut = app(CutShelf::class)->bringIn($path);
$upload = ['preset' => 'lanternwick-generous', 'host' => 'lanternwick', 'edits' => []];
$smaller = ['preset' => 'lanternwick-even', 'host' => 'lanternwick', 'edits' => ['frameSize' => ['step' => -1]]];
$columns = fn (array $outputs): array => app(CutDesk::class)->columns($cut, $cut->reading(), $outputs, null, "{$scratch}/out");
$packed = fn (array $outputs) => app(Packer::class)->pack($cut, $columns($outputs), "{$scratch}/out");

/** @param  Closure(): mixed  $do  seconds that it takes */
$timed = function (Closure $do): float {
    $begun = hrtime(true);
    $do();

    return (hrtime(true) - $begun) / 1e9;
};
$done = function (iterable $runs): array {
    $tries = [];
    foreach ($runs as $run) {
        $run->refresh()->work->state === WorkState::Done ?: throw new RuntimeException("A run failed: {$run->work->error}");
        $tries[] = $run->slip['tries'] ?? 1;
    }

    return $tries;
};
$byHand = function () use ($columns, $upload, $cut, $path, $scratch): void {
    File::ensureDirectoryExists("{$scratch}/by-hand");
    foreach (app(PassBuilder::class)->passes($columns([$upload])[0]->plan, $cut->reading(), witnessed: false) as $pass) {
        $command = ['nice', '-n', '10', 'ffmpeg', '-v', 'error', '-nostdin', '-y', '-i', $path, ...$pass->arguments];
        (new Process([...$command, $pass->writes ? 'by-hand.mp4' : '-'], "{$scratch}/by-hand", timeout: 900))->mustRun();
    }
};
[$overheads, $shares, $tries] = [[], [], []];
for ($round = 0; $round < 3; $round++) {
    $runs = $packed([$upload]);
    $queued = $timed(fn () => app(Worker::class)->one(['make']));
    $tries = [...$tries, ...$done($runs)];
    $overheads[] = $queued / $timed($byHand);

    $outputs = [['preset' => 'archive-10-bit', 'host' => null, 'edits' => []], $upload, $smaller];
    $runs = $packed($outputs);
    $together = $timed(fn () => app(Worker::class)->one(['make']));
    $tries = [...$tries, ...$done($runs)];
    $runs = $packed($outputs);
    $apart = $timed(fn () => $runs->each(fn (Run $run) => app(Worker::class)->one(['make'], only: [$run->work->id])));
    $tries = [...$tries, ...$done($runs)];
    $shares[] = $together / $apart;
}
figure('An upload through the queue / the same commands by hand', sprintf('%.3f ×', percentile($overheads, 0.5)), 'at most 1.03 ×');
figure('A master and two uploads together / one after another', sprintf('%.3f ×', percentile($shares, 0.5)), 'at most 0.80 ×');
figure('rounds of each', implode(' ', array_map(fn (float $x): string => sprintf('%.2f', $x), [...$overheads, ...$shares])), '');
figure('files that were made more than once for their rate', (string) count(array_filter($tries, fn (int $n): bool => $n > 1)), 'none');
