<?php

/*
 * What an installation takes of a core while nothing is made: with an empty queue, and with work that waits for whatever work can wait for.
 * All processes of bin/start count.
 *
 * usage: bin/bench idle [SECONDS]      of each state; 15 when left out
 */

use App\Models\Run;
use App\Models\Work;
use App\Models\WorkState;
use App\Supervision\ProcessId;
use App\Supervision\Roster;
use Illuminate\Support\Facades\DB;
use Symfony\Component\Process\Process;

require __DIR__.'/bench.php.inc';

/** Seconds that everything has to come to rest in. */
const SETTLING = 8;

$seconds = (int) ($argv[1] ?? 15);
(new Process([
    'ffmpeg', '-v', 'error', '-f', 'lavfi', '-i', 'testsrc2=s=1280x720:r=25:d=120', '-c:v', 'libx264', '-preset', 'ultrafast',
    "{$scratch}/media/long.mp4",
], timeout: 120))->mustRun();
$port = random_int(20_000, 40_000);
$start = new Process(['bin/start', '--no-demo', '--port', (string) $port], base_path(), ['PHP_INI_SCAN_DIR' => false], timeout: null);
$start->start();
$roster = new Roster(storage_path("framework/served/{$port}"));
register_shutdown_function(fn () => (new Process([base_path('bin/supervise'), 'stop', $roster->folder], timeout: 30))->run());
$start->waitUntil(fn (string $type, string $text): bool => str_contains($text, 'Outer Crate is at'));
$ask = function (string $method, string $path, array $body = []) use ($port): array {
    $context = stream_context_create(['http' => [
        'method' => $method, 'header' => 'Content-Type: application/json', 'content' => json_encode((object) $body),
        'ignore_errors' => true,
    ]]);

    return (array) json_decode((string) file_get_contents("http://127.0.0.1:{$port}/api/{$path}", false, $context), true);
};

$until = function (Closure $holds): void {
    for ($i = 0; $i < 600 && ! $holds(); $i++) {
        usleep(100_000);
    }
};

/** Seconds of a core that all of them have taken. */
$taken = function () use ($roster): float {
    $leaders = [...array_values($roster->running()), $roster->noted(Roster::GUARD), $roster->noted(Roster::SUPERVISOR)];
    $ticks = 0;
    foreach (array_merge(...array_map(fn (?ProcessId $leader): array => $leader?->session() ?? [], $leaders)) as $process) {
        $stat = (string) @file_get_contents("/proc/{$process}/stat");
        $fields = explode(' ', substr($stat, (int) strrpos($stat, ')') + 2));
        $ticks += (int) ($fields[11] ?? 0) + (int) ($fields[12] ?? 0);
    }

    return $ticks / 100;
};
$measure = function (string $state) use ($taken, $seconds, $until): void {
    // What may be done is done first: an analysis, samples.
    $until(fn (): bool => Work::query()->whereIn('state', WorkState::underWay())->where('paused', false)->where(Work::due(...))
        ->doesntExist());
    sleep(SETTLING);
    $before = $taken();
    sleep($seconds);
    figure($state, sprintf('%.2f %%', 100 * ($taken() - $before) / $seconds), 'at most 0.5 % of a core');
};

sleep(SETTLING);
figure('Start of all processes', sprintf('%.1f s of a core', $taken()), 'for comparison: shows how fast the machine is now');
$measure('Nothing to do');
$cut = $ask('POST', 'cuts', ['path' => "{$scratch}/media/long.mp4"])['cut']['id'];
$until(fn (): bool => Work::query()->whereIn('state', WorkState::underWay())->doesntExist());
$output = ['preset' => 'lossless-vault', 'host' => null, 'edits' => (object) []];
$run = $ask('POST', "cuts/{$cut}/pack", ['outputs' => [$output]])['runs'][0]['id'];
$until(fn (): bool => Run::query()->findOrFail($run)->work->frames > 0);
$ask('POST', "runs/{$run}/pause");
$measure('A run that is being made is paused');
$ask('POST', "runs/{$run}/stop");
$until(fn (): bool => Run::query()->findOrFail($run)->work->state->isOver());
$measure('It was stopped');

$waiting = fn (array $more): int => DB::table('works')->insertGetId([
    'kind' => 'make', 'subject' => 900_000, 'state' => 'waiting', 'priority' => 50, ...$more,
]);
$work = $waiting(['paused' => true]);
$measure('A run waits, paused');
DB::table('works')->delete($work);
$run = $ask('POST', "cuts/{$cut}/pack?again=1", ['outputs' => [$output]])['runs'][0]['id'];
$until(fn (): bool => Run::query()->findOrFail($run)->work->frames > 0);
$behind = $ask('POST', "cuts/{$cut}/pack?again=1", ['outputs' => [['preset' => 'archive-10-bit'] + $output]])['runs'][0]['id'];
$ask('POST', "runs/{$behind}/recall");
$ask('POST', "runs/{$run}/stop");
$measure('A run was put back on its sheet');
$waits = ['make' => 'disk space, a drive or a host', 'send' => 'the hours in which files are sent', 'tell' => 'the next try'];
foreach ($waits as $kind => $what) {
    $work = $waiting(['kind' => $kind, 'not_before' => Work::now(3600)]);
    $measure("Work waits for {$what}");
    DB::table('works')->delete($work);
}
mkdir("{$scratch}/watched");
(new Process([base_path('bin/crate'), 'watch', 'add', "{$scratch}/watched", '--output=review-720'], timeout: 60))->mustRun();
copy("{$scratch}/media/long.mp4", "{$scratch}/watched/settled.txt");
$measure('A watch folder is there');
