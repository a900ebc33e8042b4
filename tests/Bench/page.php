<?php

/*
 * How soon a change shows in the browser: a slider is moved, and the file's size follows; with 2, 8 and 40 outputs on the sheet.
 */

use App\Shelf\CutShelf;
use Symfony\Component\Process\Process;

require __DIR__.'/bench.php.inc';

$path = "{$scratch}/media/bench.mp4";
(new Process([
    'ffmpeg', '-v', 'error', '-f', 'lavfi', '-i', 'testsrc2=s=1280x720:r=25:d=20', '-f', 'lavfi', '-i', 'sine=r=48000:d=20',
    '-pix_fmt', 'yuv420p',
    $path,
]))->mustRun();
$cut = app(CutShelf::class)->bringIn($path, null, false);
$browser = new Process(['node', __DIR__.'/page.mjs', serve($scratch), (string) $cut->id], base_path(), null, null, 300);
foreach (json_decode($browser->mustRun()->getOutput(), true) as ['outputs' => $outputs, 'times' => $times]) {
    figure("a change shows, {$outputs} outputs, median", sprintf('%.0f ms', percentile($times, 0.5)), 'within 100 ms');
    figure(
        "a change shows, {$outputs} outputs, 95th percentile",
        sprintf('%.0f ms', percentile($times, 0.95)),
        $outputs === 40 ? 'stays usable' : 'within 100 ms',
    );
}
