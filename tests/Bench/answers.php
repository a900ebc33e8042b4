<?php

/*
 * How fast the demo server answers: a plan for 8 outputs, a sheet of 40, and the shelf with 1,000 cuts in one request.
 */

use App\Models\Cut;
use App\Shelf\CutShelf;
use Symfony\Component\Process\Process;

require __DIR__.'/bench.php.inc';

$path = "{$scratch}/media/bench.mp4";
(new Process([
    'ffmpeg', '-v', 'error', '-f', 'lavfi', '-i', 'testsrc2=s=1280x720:r=25:d=2', '-f', 'lavfi', '-i', 'sine=r=48000:d=2',
    '-pix_fmt', 'yuv420p',
    $path,
]))->mustRun();
$cut = app(CutShelf::class)->bringIn($path);
$address = serve($scratch);
$outputs = array_map(
    fn (string $preset): array => [
        'preset' => $preset,
        'host' => str_contains($preset, 'lanternwick') ? 'lanternwick' : null,
        'edits' => (object) [],
    ],
    [
        'archive-10-bit', 'lossless-vault', 'lanternwick-even', 'lanternwick-generous', 'platen-1080', 'tallgate-upright',
        'slow-line', 'review-720',
    ],
);
$plan = fn (): float => milliseconds('POST', "{$address}/api/plan", ['cut' => $cut->id, 'outputs' => $outputs]);
array_map($plan, range(1, 40)); // each worker has compiled its scripts
$times = array_map($plan, range(1, 200));
$least = array_map(fn (): float => milliseconds('GET', "{$address}/api/choices"), range(1, 100));
figure('POST /api/plan, 8 outputs, median', sprintf('%.1f ms', percentile($times, 0.5)), 'at most 30 ms');
figure('POST /api/plan, 8 outputs, 95th percentile', sprintf('%.1f ms', percentile($times, 0.95)), 'at most 60 ms');
figure('  of that, what any request costs', sprintf('%.1f ms', percentile($least, 0.5)), 'framework and server');

$forty = array_map(fn (int $i): array => ['key' => (string) $i, ...$outputs[$i % 8], 'range' => null], range(0, 39));
$sheet = fn (): float => milliseconds('PUT', "{$address}/api/cuts/{$cut->id}/sheet", ['outputs' => $forty]);
array_map($sheet, range(1, 10));
figure(
    'PUT a sheet of 40 outputs, median',
    sprintf('%.1f ms', percentile(array_map($sheet, range(1, 40)), 0.5)),
    'a change shows within 100 ms',
);

$row = $cut->getAttributes();
unset($row['id']);
Cut::query()->insert(array_map(fn (int $i): array => [...$row, 'name' => "Episode {$i}", 'path' => "{$path}.{$i}"], range(1, 999)));
$shelf = fn (): float => milliseconds('GET', "{$address}/api/cuts");
array_map($shelf, range(1, 8));
$times = array_map($shelf, range(1, 30));
figure('GET /api/cuts, 1,000 cuts, median', sprintf('%.1f ms', percentile($times, 0.5)), 'under 100 ms');
