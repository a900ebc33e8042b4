<?php

/*
 * What a browser must fetch before it can paint: the scripts of the first page, gzipped.
 */

require __DIR__.'/bench.php.inc';

$manifest = json_decode(file_get_contents(public_path('build/manifest.json')), true);
$files = [];
$take = function (string $entry) use (&$take, &$files, $manifest): void {
    $files[$manifest[$entry]['file']] = true;
    array_map($take, $manifest[$entry]['imports'] ?? []);
};
$take('resources/js/main.tsx');
$bytes = array_sum(
    array_map(fn (string $file): int => strlen(gzencode(file_get_contents(public_path("build/{$file}")), 9)), array_keys($files)),
);
figure('JavaScript for first paint, gzipped', number_format($bytes / 1000, 1).' kB', 'at most 250 kB');
