<?php

/*
 * How soon the results of a transit test are seen: 40 candidates, opened from the sheet of their cut, in a real browser.
 */

use App\Desk\CutDesk;
use App\Library\Hosts;
use App\Models\Cut;
use App\Shelf\CutShelf;
use App\Transit\TransitTests;
use App\Work\Worker;
use Symfony\Component\Process\Process;

require __DIR__.'/bench.php.inc';

const CANDIDATES = 40;
$path = "{$scratch}/media/bench.mp4";
(new Process(['ffmpeg', '-v', 'error', '-f', 'lavfi', '-i', 'testsrc2=s=320x180:r=25:d=2', '-pix_fmt', 'yuv420p', $path]))->mustRun();
$cut = Cut::query()->findOrFail(app(CutShelf::class)->bringIn($path, null, false)->id);
$outputs = [['preset' => 'lanternwick-even', 'host' => 'lanternwick', 'edits' => []]];
$cut->update(['outputs' => array_map(fn (array $output): array => ['key' => 'one'] + $output, $outputs)]);
$columns = app(CutDesk::class)->columns($cut, $cut->reading(), $outputs, $cut->range($cut->reading()));
$test = app(TransitTests::class)->ask($cut, app(Hosts::class)->need('lanternwick'), $columns);
app(Worker::class)->one(['transit'], only: [$test->work->id]);
$result = $test->refresh()->result ?? throw new RuntimeException((string) $test->work->error);
// One that was measured, forty times over: what they say is no part of how soon they are seen.
$result['candidates'] = array_map(function (int $i) use ($result): array {
    $one = $result['candidates'][0];
    $one['upload']['bytes'] = (int) ($one['upload']['bytes'] * (1 + $i / 10));

    return ['name' => "Candidate {$i}"] + $one;
}, range(1, CANDIDATES));
$result['recommended']['name'] = 'Candidate 1';
$result['edge'] = ['Candidate 1'];
$result['past'] = null;
$test->update(['result' => $result]);
$command = ['node', __DIR__.'/results.mjs', serve($scratch), (string) $cut->id, (string) CANDIDATES];
$browser = new Process($command, base_path(), null, null, 300);
$times = json_decode($browser->mustRun()->getOutput(), true);
figure('results of '.CANDIDATES.' candidates, median', sprintf('%.0f ms', percentile($times, 0.5)), 'within 100 ms');
figure('95th percentile', sprintf('%.0f ms', percentile($times, 0.95)), '');
figure('fastest, slowest', sprintf('%.0f ms, %.0f ms', min($times), max($times)), '');
