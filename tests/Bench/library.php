<?php

/*
 * A large library: 2,000 presets are searched while one types, 500 are brought in, the page of 200 hosts is opened.
 */

use App\Library\Export;
use App\Library\Hosts;
use App\Library\Import;
use Symfony\Component\Process\Process;

require __DIR__.'/bench.php.inc';

$codecs = ['h264', 'hevc', 'vp9'];
$preset = fn (int $i): array => [
    'format' => 'outer-crate/preset', 'version' => 1, 'name' => "Piece {$i} of the kiln", 'role' => ['master', 'upload', 'review'][$i % 3],
    'about' => "Number {$i}, for glazes", 'tags' => ['shelf '.($i % 40)], 'host' => 'lanternwick',
    'rules' => [
        'container' => ['set' => 'mp4'],
        'video' => ['codec' => $codecs[$i % 3], 'effort' => 'slow'],
        'frameSize' => ['fit' => (200 + 2 * $i).'×'.(200 + 2 * $i)],
        'bitrate' => ['mode' => 'vbr', 'passes' => 2, 'average' => ['kbps' => 1000 + $i]],
        'audio' => ['codec' => 'aac', 'kbps' => 160],
    ],
];
$bring = function (int $from, int $count) use ($preset): float {
    $text = json_encode(['format' => Export::FORMAT, 'version' => 1, 'presets' => array_map($preset, range($from, $from + $count - 1))]);
    $begun = hrtime(true);
    $import = app(Import::class);
    $import->take($import->preview($text, 'bench.json'), [], 'bench.json');

    return (hrtime(true) - $begun) / 1e9;
};
figure('500 presets are brought in', sprintf('%.2f s', $bring(1, 500)), 'at most 2 s');
$bring(501, 1_500);

$hosts = app(Hosts::class);
$lanternwick = $hosts->entry('lanternwick')->file;
foreach (range(1, 200) as $i) {
    $hosts->add($lanternwick->with(name: "Lamp {$i}"), 'bench');
}
$address = serve($scratch);
$list = fn (string $of): array => array_map(fn (): float => milliseconds('GET', "{$address}/api/{$of}"), range(1, 30));
$list('hosts');
figure('GET /api/hosts with 200 hosts, median', sprintf('%.0f ms', percentile($list('hosts'), 0.5)), 'at most 100 ms');
figure('GET /api/presets with 2,000 presets, median', sprintf('%.0f ms', percentile($list('presets'), 0.5)), 'once a visit');

$browser = new Process(['node', __DIR__.'/library.mjs', $address], base_path(), null, null, 300);
$times = json_decode($browser->mustRun()->getOutput(), true);
figure('a key is typed, 2,000 presets narrowed, 95th percentile', sprintf('%.0f ms', percentile($times['search'], 0.95)), 'within 50 ms');
figure('to the page of 200 hosts, from another page, median', sprintf('%.0f ms', percentile($times['hosts'], 0.5)), 'within 100 ms');
