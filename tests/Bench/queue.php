<?php

/*
 * What the queue costs that is asked for twice a second: an answer with 500 runs under way, behind which lie those of a year, and a worker
 * that finds nothing to do. Of answers, medians.
 */

use App\Models\Run;
use App\Models\Work;
use App\Models\WorkState;
use Illuminate\Support\Facades\DB;
use Symfony\Component\Process\Process;

require __DIR__.'/bench.php.inc';

const RUNS = 500;
const OVER = 5000;
// As much as a run of the demo keeps: 3 kB of plan, 8 of its document, 2.6 of slip.
$filler = fn (int $bytes): string => bin2hex(random_bytes(intdiv($bytes, 2)));
$plan = [
    'role' => 'upload', 'preset' => 'x', 'presetName' => 'x', 'frames' => 100, 'values' => ['x' => $filler(3000)],
    'estimate' => ['seconds' => 3.0, 'bytes' => 10],
];
$slip = ['bytesLabel' => '10 bytes', 'differences' => [], 'reading' => $filler(2500)];
$put = function (int $runs, WorkState $state, ?array $slip) use ($plan, $filler): void {
    foreach (range(1, $runs) as $i) {
        $run = Run::query()->create([
            'pack' => 'p', 'cut_name' => "Cut {$i}", 'source' => '/x', 'name' => 'x', 'file' => "/x{$i}", 'plan' => $plan,
            'document' => [$filler(8000)], 'slip' => $slip, 'card' => Run::cardOf($plan, $slip),
        ]);
        Work::query()->create([
            'kind' => Run::WORK, 'subject' => $run->id, 'state' => $state, 'priority' => 30, 'place' => $i, 'expected_seconds' => 3.0,
        ]);
    }
};
DB::transaction(function () use ($put, $slip): void {
    $put(OVER, WorkState::Done, $slip);
    $put(RUNS, WorkState::Waiting, null);
});
$address = serve($scratch);
// So that all of them were written before.
sleep(3);
$at = rawurlencode(Work::now(-2));
$asked = ['the strip' => 'strip', 'the queue, asked again' => "queue/changes?since={$at}", 'the queue, at first' => 'queue'];
foreach ($asked as $what => $path) {
    $empty = array_map(fn (): float => milliseconds('GET', "{$address}/api/machine"), range(1, 30));
    $times = array_map(fn (): float => milliseconds('GET', "{$address}/api/{$path}"), range(1, 40));
    $bar = $what === 'the queue, at first' ? 'once' : 'at most 10 ms';
    figure("{$what} with ".RUNS.' runs, '.OVER.' behind them', sprintf('%.1f ms', percentile($times, 0.5)), $bar);
    figure('an answer that asks for next to nothing, median', sprintf('%.1f ms', percentile($empty, 0.5)), '');
}
Work::query()->delete();
$worker = new Process(['php', 'artisan', 'crate:work', '--groups=files'], base_path(), $surroundings);
$worker->start();
// Once it has booted.
sleep(8);
$ticks = fn (): int => array_sum(array_slice(explode(' ', (string) file_get_contents('/proc/'.$worker->getPid().'/stat')), 13, 2));
$begun = $ticks();
sleep(10);
// A hundredth of a second each (proc(5), stat; sysconf(_SC_CLK_TCK)), over ten.
figure('a core’s share of an idle worker', sprintf('%.1f %%', ($ticks() - $begun) / 10), 'at most 1 %');
$worker->signal(SIGKILL);
