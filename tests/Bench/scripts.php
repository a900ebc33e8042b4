<?php

/*
 * What a browser must fetch before it can paint, gzipped: the frame with its strip, and then the shelf.
 */

require __DIR__.'/bench.php.inc';

$manifest = json_decode(file_get_contents(public_path('build/manifest.json')), true);
$files = [];
$take = function (string $entry) use (&$take, &$files, $manifest): void {
    $files[$manifest[$entry]['file']] = true;
    array_map($take, $manifest[$entry]['imports'] ?? []);
};
$size = fn (string $file): int => strlen(gzencode(file_get_contents(public_path("build/{$file}")), 9));
$bytes = function (string $entry) use (&$files, $take, $size): string {
    $take($entry);

    return number_format(array_sum(array_map($size, array_keys($files))) / 1000, 1).' kB';
};
figure('JavaScript for first paint, gzipped', $bytes('resources/js/main.tsx'), 'at most 130 kB');
figure('the same, with the page of the shelf', $bytes('resources/js/shelf/ShelfPage.tsx'), 'no promise');
