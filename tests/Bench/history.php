<?php

/*
 * Measures a long history: 10,000 cuts, 1,000 presets, 100 hosts and many finished files. Prints how fast history, shelf, store, presets,
 * strip and queue answer.
 *
 * usage: bin/bench history [FILES]      100,000 when left out
 */

use App\Library\Hosts;
use App\Library\Presets;
use App\Media\Workspace;
use App\Models\Cut;
use App\Models\Work;
use App\Shelf\CutShelf;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use OuterCrate\Analysis\Analysis;
use Symfony\Component\Process\Process;

require __DIR__.'/bench.php.inc';

const CUTS = 10_000;
const PRESETS = 1_000;
const HOSTS = 100;
const AT_ONCE = 500;

$count = max(AT_ONCE, (int) ($argv[1] ?? 100_000));
$row = function (int $i): array {
    [$cut, $preset, $host] = [$i % CUTS, $i % PRESETS, $i % (HOSTS + 1)];
    $names = [
        'file' => "Kiln Diary {$cut} firing {$i}.mp4",
        'cut_name' => "Kiln Diary {$cut} firing",
        'preset_name' => "Preset number {$preset}",
        'host_name' => $host === 0 ? null : "Host number {$host}",
    ];

    return $names + [
        'run_id' => $i, 'pack' => sprintf('00000000-0000-4000-8000-%012d', intdiv($i, 4)), 'cut_id' => $cut, 'role' => 'upload',
        'preset' => "preset-{$preset}", 'host' => $host === 0 ? null : "host-{$host}", 'bytes' => 12_345_678, 'differences' => 0,
        'search' => mb_strtolower(implode(' ', array_filter($names))), 'made_at' => gmdate('Y-m-d H:i:s.000', 1_790_000_000 + 60 * $i),
    ];
};
DB::transaction(function () use ($count, $row): void {
    foreach (array_chunk(range(1, $count), AT_ONCE) as $numbers) {
        DB::table('deliveries')->insert(array_map($row, $numbers));
    }
});
// One cut is read; the others are its copies under other names.
$path = "{$scratch}/media/Kiln Diary 0 firing.mov";
$encode = ['ffmpeg', '-v', 'error', '-f', 'lavfi', '-i', 'testsrc2=s=320x180:r=25:d=1', '-pix_fmt', 'yuv420p', $path];
(new Process($encode))->mustRun();
$first = Cut::query()->findOrFail(app(CutShelf::class)->bringIn($path, null, false)->id);
$columns = DB::table('cuts')->find($first->id);
$seen = ['version' => Analysis::VERSION, 'result' => '{}'];
$done = ['kind' => 'analyse', 'state' => 'done', 'priority' => 10];
DB::transaction(function () use ($columns, $seen, $done): void {
    foreach (array_chunk(range(2, CUTS), AT_ONCE) as $numbers) {
        DB::table('cuts')->insert(array_map(fn (int $i): array => [
            'id' => $i, 'name' => "Kiln Diary {$i} firing", 'path' => "/media/Kiln Diary {$i} firing.mov", 'bytes' => 1_000 * $i,
            'search' => "kiln diary {$i} firing kiln diary {$i} firing.mov h.264", 'seconds' => $i / 25,
        ] + (array) $columns, $numbers));
        DB::table('analyses')->insert(array_map(fn (int $i): array => $seen + ['id' => $i, 'cut_id' => $i], $numbers));
        DB::table('works')->insert(array_map(fn (int $i): array => $done + ['subject' => $i], $numbers));
        foreach ($numbers as $i) {
            Workspace::ofCut($i)->begin();
            touch(Workspace::ofCut($i)->proxy());
        }
    }
});
foreach ([
    [app(Presets::class), 'review-720', PRESETS, 'Preset number'], [app(Hosts::class), 'lanternwick', HOSTS, 'Host number'],
] as [$library, $slug, $many, $name]) {
    $file = $library->entry($slug)->file;
    DB::transaction(function () use ($library, $file, $many, $name): void {
        foreach (range(1, $many) as $i) {
            $library->add($file->with(name: "{$name} {$i}"), '');
        }
    });
}
Artisan::call('crate:catch-up');
$begun = hrtime(true);
Artisan::call('crate:catch-up');
figure('What each start does for '.CUTS.' cuts that lack nothing', sprintf('%.2f s', (hrtime(true) - $begun) / 1e9), 'no promise');
$address = serve($scratch);
$oldest = DB::table('deliveries')->orderBy('id')->skip(100)->value('id');
foreach ([
    'the latest' => '',
    'the last pages' => "before={$oldest}",
    'a word in all of them' => 'search=firing',
    'a word in one' => "search={$count}.mp4",
    'a word in none' => 'search=glaze',
    'of a cut' => 'cut=77',
    'of a host' => 'host=host-7',
    'of a preset, a word in none' => 'preset=preset-7&search=glaze',
    'from a day on' => 'from=2026-09-30',
    'until a day, of the oldest' => 'until=2026-09-22',
] as $what => $query) {
    $page = fn (): float => milliseconds('GET', "{$address}/api/deliveries?{$query}");
    array_map($page, range(1, 5));
    figure("A page of files: {$what}, median", sprintf('%.1f ms', percentile(array_map($page, range(1, 20)), 0.5)), 'at most 60 ms');
}
$choices = fn (): float => milliseconds('GET', "{$address}/api/deliveries/choices");
figure('Presets and hosts to choose from, median', sprintf('%.1f ms', percentile(array_map($choices, range(1, 10)), 0.5)), '–');
$pages = [
    'The shelf' => 'cuts', 'The shelf, by length' => 'cuts?sort=durationLabel&down=1',
    'The shelf, a word in all of them' => 'cuts?search=firing',
    'The shelf, a word in none' => 'cuts?search=glaze', 'The store' => 'store', 'The presets' => 'presets', 'The hosts' => 'hosts',
];
foreach ($pages as $what => $path) {
    $page = fn (): float => milliseconds('GET', "{$address}/api/{$path}");
    array_map($page, range(1, 3));
    figure("{$what}, a page, median", sprintf('%.1f ms', percentile(array_map($page, range(1, 20)), 0.5)), 'at most 60 ms');
}
$since = rawurlencode(Work::now(-2));
$often = ['The strip' => 'strip', 'The queue, what changed' => "queue/changes?since={$since}", 'An empty answer' => 'machine'];
foreach ($often as $what => $path) {
    $page = fn (): float => milliseconds('GET', "{$address}/api/{$path}");
    array_map($page, range(1, 5));
    $bar = $path === 'machine' ? '–' : 'at most 10 ms';
    figure("{$what}, median", sprintf('%.1f ms', percentile(array_map($page, range(1, 40)), 0.5)), $bar);
}
