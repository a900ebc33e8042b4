<?php

/*
 * Pieces against the whole: the same candidates through the same host, once in pieces and once with all of the cut. How far apart the
 * scores lie, whether they rank alike, and what share of the time the pieces take.
 *
 * usage: bin/bench transit [CUTS [CANDIDATES [WIDTHxHEIGHT]]]    1, 3 and 640x360 when left out, for an impression; 10 and 6 take hours
 *        bin/bench transit 5-9 6                  some of the cuts, counted from 0
 *        bin/bench transit long                   four candidates of ten minutes at 1920×1080, in pieces alone
 */

use App\Desk\CutDesk;
use App\Library\Hosts;
use App\Models\Cut;
use App\Shelf\CutShelf;
use App\Transit\TransitTests;
use App\Work\Worker;
use OuterCrate\Desk\Column;
use OuterCrate\Units\FrameRange;
use Symfony\Component\Process\Process;

require __DIR__.'/bench.php.inc';

/** Cuts of a minute in which calm and busy, bright and dark follow each other: scenes of so many seconds. */
$scenes = [
    'turning' => 'testsrc2=s=640x360:r=25:d=%s',
    'gradient' => 'gradients=s=640x360:r=25:d=%s:c0=0x100808:c1=0x804020:n=2:speed=0.02:seed=7',
    'growth' => 'mandelbrot=s=640x360:r=25:maxiter=400,trim=duration=%s',
    'grain' => 'color=0x403028:s=640x360:r=25:d=%s,noise=all_seed=7:alls=14:allf=t+u,gblur=0.6',
    'life' => 'life=s=320x180:r=25:mold=10:ratio=0.1:random_seed=7:life_color=#C08040:death_color=#203040,scale=640:360,trim=duration=%s',
    'still' => 'smptehdbars=s=640x360:r=25:d=%s',
];
$kbps = [300, 600, 1200, 2400, 4800, 9600];
$isLong = ($argv[1] ?? '') === 'long';
$candidates = $isLong ? 4 : max(2, min(6, (int) ($argv[2] ?? 3)));
$isPart = preg_match('~^(\d+)-(\d+)$~', $argv[1] ?? '', $m) === 1;
[$first, $last] = $isPart ? [(int) $m[1], (int) $m[2]] : [0, max(1, (int) ($argv[1] ?? 1)) - 1];

$size = $argv[3] ?? '640x360';
$make = function (int $number) use ($scenes, $scratch, $size): string {
    $names = array_keys($scenes);
    $inputs = $labels = [];
    // After six cuts the scenes come in the same order again: for other lengths then.
    $lengths = [12, 5, 20, 8, 15];
    $turned = 2 * intdiv($number, count($names)) % count($lengths);
    foreach ([...array_slice($lengths, $turned), ...array_slice($lengths, 0, $turned)] as $i => $seconds) {
        $scene = $scenes[$names[($number * 5 + $i * ($number % 3 + 1)) % count($names)]];
        // Drawn at its size, not enlarged: a picture without detail is coded in no time.
        $scene = strtr($scene, ['640x360' => $size, '640:360' => strtr($size, 'x', ':')]);
        array_push($inputs, '-f', 'lavfi', '-i', sprintf($scene, $seconds));
        $labels[] = "[{$i}:v]format=yuv420p,setsar=1,settb=AVTB[v{$i}]";
    }
    $path = "{$scratch}/cut-{$number}.mkv";
    $joined = implode(';', $labels).';[v0][v1][v2][v3][v4]concat=n=5[v]';
    $command = ['ffmpeg', '-v', 'error', '-nostdin', '-y', ...$inputs, '-filter_complex', $joined, '-map', '[v]'];
    (new Process([...$command, '-c:v', 'libx264', '-preset', 'ultrafast', '-qp', '6', $path], null, null, null, 1800))->mustRun();

    return $path;
};
// As many bits for a pixel.
$ofSize = fn (int $rate): int => (int) round($rate * array_product(array_map(intval(...), explode('x', $size))) / (640 * 360));
$host = app(Hosts::class)->need('lanternwick');
$outputs = array_map(fn (int $rate): array => ['preset' => 'lanternwick-even', 'host' => 'lanternwick', 'edits' => [
    'bitrate' => ['mode' => 'vbr', 'passes' => 2, 'average' => ['kbps' => $rate], 'peak' => ['timesAverage' => 2]],
    'frameRate' => 'follow',
]], $isLong ? [4500, 9000, 13500, 18000] : array_map($ofSize, array_slice($kbps, 0, $candidates)));

/** Seconds that processors have worked for this bench, whatever else goes on here (times(2)). */
$worked = function (): float {
    $times = posix_times();

    return ($times['utime'] + $times['stime'] + $times['cutime'] + $times['cstime']) / 100;
};
/** Scores of the candidates on the deciding screen, and the seconds that it took: of the clock, and of the processors. */
$test = function (Cut $cut, array $chosen, array $screens = [480]) use ($host, $outputs, $worked): array {
    $columns = app(CutDesk::class)->columns($cut, $cut->reading(), $outputs, $cut->range($cut->reading()));
    $names = array_map(fn (Column $column): string => (string) $column->plan->bitrate->average, $columns);
    $test = app(TransitTests::class)->ask($cut, $host, $columns, $screens, chosen: $chosen, names: $names);
    [$begun, $before] = [hrtime(true), $worked()];
    app(Worker::class)->one(['transit'], only: [$test->work->id]);
    $result = $test->refresh()->result ?? throw new RuntimeException((string) $test->work->error);

    $scores = array_map(fn (array $one): float => $one['after'][0]['ssimDb'], $result['candidates']);

    return [$scores, (hrtime(true) - $begun) / 1e9, $worked() - $before];
};
if ($isLong) {
    $short = "{$scratch}/twenty-seconds.mkv";
    $scene = 'mandelbrot=s=1920x1080:r=25:maxiter=300,noise=all_seed=7:alls=6:allf=t,format=yuv420p';
    $encode = ['ffmpeg', '-v', 'error', '-nostdin', '-y', '-f', 'lavfi', '-i', $scene, '-t', '20'];
    (new Process([...$encode, '-c:v', 'libx264', '-preset', 'ultrafast', '-crf', '14', $short], null, null, null, 900))->mustRun();
    $loop = ['ffmpeg', '-v', 'error', '-nostdin', '-y', '-stream_loop', '29', '-i', $short, '-c', 'copy', "{$scratch}/ten-minutes.mkv"];
    (new Process($loop, null, null, null, 600))->mustRun();
    $cut = Cut::query()->findOrFail(app(CutShelf::class)->bringIn("{$scratch}/ten-minutes.mkv")->id);
    // An analysis chooses better pieces of the same length; it is no part of the test.
    [$scores, $seconds] = $test($cut, [], []);
    $told = implode(' ', array_map(fn (float $db): string => sprintf('%.2f', $db), $scores));
    figure('ten minutes of 1080p25, '.count($scores).' candidates', "{$told} dB", sprintf('%.0f s', $seconds));
    figure('of five minutes', sprintf('%.0f %%', $seconds / 3), 'at most 100 %');
    exit;
}
[$off, $alike, $pairs, $pieces, $whole, $ofPieces, $ofWhole] = [[], 0, 0, 0.0, 0.0, 0.0, 0.0];
for ($number = $first; $number <= $last; $number++) {
    $cut = app(CutShelf::class)->bringIn($make($number));
    while (app(Worker::class)->one(['analyse'])) {
        continue;
    }
    $cut = Cut::query()->findOrFail($cut->id);
    [$sampled, $seconds, $work] = $test($cut, []);
    [$exact, $all, $allWork] = $test($cut, [FrameRange::whole($cut->reading()->length())]);
    $pieces += $seconds;
    $whole += $all;
    $ofPieces += $work;
    $ofWhole += $allWork;
    foreach ($exact as $i => $db) {
        $off[] = abs($sampled[$i] - $db);
        for ($j = 0; $j < $i; $j++) {
            if (abs($db - $exact[$j]) > 0.1) {
                $pairs++;
                $alike += ($db <=> $exact[$j]) === ($sampled[$i] <=> $sampled[$j]) ? 1 : 0;
            }
        }
    }
    $list = fn (array $scores): string => implode(' ', array_map(fn (float $db): string => sprintf('%.2f', $db), $scores));
    figure("cut {$number}, pieces", $list($sampled).' dB', sprintf('%.0f s, %.0f of processors', $seconds, $work));
    figure("cut {$number}, the whole", $list($exact).' dB', sprintf('%.0f s, %.0f of processors', $all, $allWork));
}
figure('pairs that rank alike', sprintf('%d of %d, %.0f %%', $alike, $pairs, 100 * $alike / max(1, $pairs)), 'at least 95 %');
figure('furthest off', sprintf('%.2f dB', max($off)), 'within 0.3 dB');
figure('off on the mean', sprintf('%.2f dB', array_sum($off) / count($off)), '');
figure('time of the pieces, of the whole’s', sprintf('%.1f %%', 100 * $pieces / $whole), 'at most 10 %');
figure('time of processors for the pieces, of the whole’s', sprintf('%.1f %%', 100 * $ofPieces / $ofWhole), '');
