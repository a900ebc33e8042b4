<?php

/*
 * Two hundred plans that nobody thought of, made into files and read back: how many came out as planned, and how long one takes.
 */

use App\Models\WorkState;
use Illuminate\Support\Facades\File;
use Tests\Support\RandomPlans;

require __DIR__.'/bench.php.inc';

$seed = (int) (getenv('SEED') ?: random_int(1, 1_000_000));
$begun = microtime(true);
[$made, $asPlanned] = [0, 0];
foreach (RandomPlans::made($seed, 200, "{$scratch}/out") as $told => $run) {
    $made++;
    $differs = array_filter($run->slip['differences'] ?? [], fn (array $difference): bool => $difference['cell'] !== 'bitrate');
    if ($run->work->state === WorkState::Done && $differs === []) {
        $asPlanned++;
    } else {
        fwrite(STDERR, "{$told}: ".($run->work->error ?? implode(' ', array_column($differs, 'text')))."\n");
    }
    is_dir($run->file) ? File::deleteDirectory($run->file) : @unlink($run->file);
}
figure("Random plans that came out as planned (seed {$seed})", "{$asPlanned} of {$made}", 'all of them');
figure('Planning, making and reading back one of them', sprintf('%.2f s', (microtime(true) - $begun) / $made), 'a figure');
