<?php

/*
 * Kills workers, and the engines that they run, at any moment, and counts what that leaves: half files, runs that are lost or stuck,
 * files that were made twice, faults of the database. Then sends requests generated from the schemas over all routes and counts answers
 * with status 500.
 *
 * usage: bin/bench faults [KILLS [SEED [REQUESTS]]]    default: 10 kills and 500 requests; in full: 100 SEED 10000
 */

use App\Desk\CutDesk;
use App\Models\Cut;
use App\Models\Run;
use App\Models\WorkState;
use App\Packing\Packer;
use App\Shelf\CutShelf;
use App\Work\Worker;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use Symfony\Component\Process\Process;

require __DIR__.'/bench.php.inc';
require __DIR__.'/requests.php.inc';

$kills = max(1, (int) ($argv[1] ?? 10));
$seed = (int) ($argv[2] ?? random_int(1, 1_000_000));
mt_srand($seed);
$path = "{$scratch}/media/cut.mp4";
$sources = ['-f', 'lavfi', '-i', 'testsrc2=s=320x180:r=25:d=4', '-f', 'lavfi', '-i', 'sine=r=48000:d=4'];
(new Process(['ffmpeg', '-v', 'error', ...$sources, '-pix_fmt', 'yuv420p', '-c:a', 'aac', $path]))->mustRun();
$cut = Cut::query()->findOrFail(app(CutShelf::class)->bringIn($path, null, false)->id);
$outputs = array_map(
    fn (string $preset): array => ['preset' => $preset],
    ['review-720', 'archive-10-bit', 'frames-png', 'lossless-vault', 'sound-wav', 'lanternwick-even'],
);
$queue = fn () => app(Packer::class)->pack(
    $cut,
    app(CutDesk::class)->columns($cut, $cut->reading(), $outputs, folder: "{$scratch}/out"),
    "{$scratch}/out",
);
$queue();
// Without machine code, which takes longer to begin than most of them live.
$lively = ['CRATE_WORK_LEASE' => '0.3', 'CRATE_WORK_MOST_LOST' => '100000', 'PHP_INI_SCAN_DIR' => false];
$engines = 0;
for ($kill = 0; $kill < $kills; $kill++) {
    $worker = new Process(['php', 'artisan', 'crate:work', '--groups=files'], base_path(), $surroundings + $lively);
    $worker->start();
    // From before it has booted to after a run or two.
    usleep(mt_rand(100_000, 1_300_000));
    $engine = (int) trim((string) shell_exec('pgrep -n -f '.escapeshellarg("[f]fmpeg.*{$scratch}")));
    if ($kill % 4 === 3 && $engine > 0) {
        $engines++;
        posix_kill($engine, SIGKILL);
        usleep(300_000);
    }
    $worker->isRunning() && $worker->signal(SIGKILL);
    $worker->wait();
    if (Run::underWay()->count() === 0) {
        $queue();
    }
}
config(['crate.work.most_lost' => 100_000]);
usleep(400_000);
// An engine that is killed fails its run, and says so; it is tried again by hand.
for ($tries = 0; $tries < 3; $tries++) {
    Run::query()->get()->filter(fn (Run $run): bool => $run->work->state === WorkState::Failed)->each(app(Packer::class)->retry(...));
    while (app(Worker::class)->one(['make'])) {
        continue;
    }
}
$runs = Run::query()->get();
$files = $runs->map(fn (Run $run): string => basename($run->file));
$there = array_diff(scandir("{$scratch}/out"), ['.', '..']);
$whole = $runs->filter(function (Run $run): bool {
    $sums = is_dir($run->file) ? "{$run->file}/SHA256SUMS" : $run->file;

    return is_file($sums) && hash_file('sha256', $sums) === ($run->slip['sha256'] ?? null);
});
figure("kills of workers, with seed {$seed}", (string) $kills, '');
figure('kills of engines', (string) $engines, '');
figure('runs', (string) $runs->count(), '');
figure('runs that are not done', (string) $runs->filter(fn (Run $run): bool => $run->work->state !== WorkState::Done)->count(), '0');
figure('files that are not what their slips say', (string) ($runs->count() - $whole->count()), '0');
figure('files that nobody knows: half, or made twice', (string) count(array_diff($there, $files->all())), '0');
figure('working folders left', (string) count(File::directories("{$scratch}/derived/work")), '0');
figure('faults of the database', DB::selectOne('pragma integrity_check')->integrity_check === 'ok' ? '0' : 'some', '0');
reportMadeUp((int) ($argv[3] ?? 500), $scratch);
