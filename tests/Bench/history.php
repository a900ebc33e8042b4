<?php

/*
 * A long history: so many files that were made, of 10,000 cuts, with 1,000 presets, for 100 hosts. How fast a page of the list is answered.
 *
 * usage: bin/bench history [FILES]      100,000 when left out
 */

use Illuminate\Support\Facades\DB;

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
