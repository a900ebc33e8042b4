<?php

/*
 * Runs two machines on one database under random faults, half of the time with SQLite and half with PostgreSQL and Redis. Three simulated
 * users bring in, edit, pack, pause, test, send and clear on both. At the end, all faults are ended, paused work resumes, and the bench
 * counts lost, damaged, duplicated and unfinished results.
 *
 * Needs root, because it mounts file systems in memory to fill a disk and remove a drive. The mounts are private (unshare(1)).
 *
 * usage: bin/bench soak [MINUTES [SEED]] [--sqlite | --postgres]      default: 60 minutes
 */

use Illuminate\Support\Facades\DB;
use Tests\Support\Clips;
use Tests\Support\Soak\Audit;
use Tests\Support\Soak\Client;
use Tests\Support\Soak\Faults;
use Tests\Support\Soak\Report;
use Tests\Support\Soak\Site;
use Tests\Support\Soak\Usage;
use Tests\Support\Soak\User;

const USERS = 3;

const SAMPLE_SECONDS = 10;

if (posix_geteuid() !== 0) {
    fwrite(STDERR, "The soak fills a disk and removes a drive, which needs root: sudo bin/bench soak\n");
    exit(2);
}
if (getenv('SOAK_APART') === false) {
    putenv('SOAK_APART=1');
    pcntl_exec('/usr/bin/unshare', ['--mount', '--propagation', 'private', PHP_BINARY, ...$argv]);
    exit(1);
}

require __DIR__.'/bench.php.inc';

$numbers = array_values(array_filter(array_slice($argv, 1), is_numeric(...)));
$minutes = (float) ($numbers[0] ?? 60);
$seed = (int) ($numbers[1] ?? random_int(1, 1_000_000));
$lanes = ['--sqlite' => ['SQLite' => false], '--postgres' => ['PostgreSQL and Redis' => true]];
$lanes = array_merge(...array_values(array_intersect_key($lanes, array_flip($argv)) ?: $lanes));

array_map(Clips::make(...), User::CLIPS);
// Stops the machines when the bench is interrupted.
pcntl_async_signals(true);
foreach ([SIGINT, SIGTERM] as $signal) {
    pcntl_signal($signal, fn () => throw new RuntimeException('Interrupted.'));
}
foreach ($lanes as $name => $isPostgres) {
    mt_srand($seed);
    $site = new Site("{$scratch}/".($isPostgres ? 'postgres' : 'sqlite'), $isPostgres);
    chmod($scratch, 0o755);
    $people = [];
    try {
        $site->begin();
        $watching = ['path' => "{$site->media}/watched", 'outputs' => [['preset' => 'review-720', 'host' => null]]];
        (new Client)->ask('POST', "{$site->machines[0]->address}/api/watch-folders", $watching);
        $people = array_map(fn (int $number): int => User::begin($site, $number, $seed), range(1, USERS));
        $faults = new Faults($site);
        $usage = new Usage($site);
        $end = hrtime(true) + 60e9 * $minutes / count($lanes);
        $taken = 0;
        while (hrtime(true) < $end) {
            for ($pause = hrtime(true) + 1e9 * mt_rand(4, 15); hrtime(true) < min($pause, $end); usleep(200_000)) {
                if (hrtime(true) - $taken > 1e9 * SAMPLE_SECONDS) {
                    $usage->take();
                    $taken = hrtime(true);
                }
            }
            hrtime(true) < $end && $faults->one();
        }
        touch("{$site->folder}/over");
        foreach ($people as $person) {
            pcntl_waitpid($person, $status);
        }
        $people = [];
        array_map(fn ($machine) => $machine->clock?->set(0), $site->machines);
        $site->use();
        $audit = new Audit($site);
        $audit->drain();

        printf("\n%s, %.0f minutes, seed %d\n", $name, $minutes / count($lanes), $seed);
        $report = new Report($site);
        $report->print($faults, $audit, $usage);
        $report->keep();
    } finally {
        touch("{$site->folder}/over");
        array_map(fn (int $person) => posix_kill($person, SIGKILL), $people);
        DB::purge();
        $site->end();
    }
}
