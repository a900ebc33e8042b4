<?php

/*
 * An hour (or as many minutes as are given) of people who work and of things that go wrong, half of it on SQLite and half on PostgreSQL
 * with Redis: two machines on one database, three people who bring in, edit, pack, pause, test, send and clear away on the pages of both,
 * and a fault every few seconds. Then all faults are put right, what was paused goes on, and everything is counted.
 *
 * It mounts folders in memory, so that a disk can be filled and a drive removed: it has to be run as root, and does so where nobody else
 * sees it (unshare(1)).
 *
 * usage: bin/bench soak [MINUTES [SEED]] [--sqlite | --postgres]      60 when left out
 */

use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use Tests\Support\Clips;
use Tests\Support\Soak\Audit;
use Tests\Support\Soak\Faults;
use Tests\Support\Soak\Site;
use Tests\Support\Soak\Usage;
use Tests\Support\Soak\User;

/** People at work. */
const PEOPLE = 3;

/** Seconds between takings of memory and storage. */
const TAKEN_EVERY = 10;

if (posix_geteuid() !== 0) {
    fwrite(STDERR, "The soak fills a disk and removes a drive, which only root may: sudo bin/bench soak\n");
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

/** Points this process at the database of the site. */
$connect = function (Site $site): void {
    $own = $site->own();
    config([
        'database.default' => $own['DB_CONNECTION'], 'crate.work.machine' => 'north', 'crate.work.calls' => $own['CRATE_WORK_CALLS'] ?? 'local',
        'crate.deliveries' => $own['CRATE_DELIVERIES'], 'crate.derived' => $own['CRATE_DERIVED'], 'crate.media_folders' => [$site->media],
        'crate.volumes' => ['deliveries' => $own['CRATE_DELIVERIES'], 'uploads' => $own['CRATE_UPLOADS'], 'share' => "{$site->folder}/north",
            'drive' => $site->media],
        "database.connections.{$own['DB_CONNECTION']}" => [
            ...config("database.connections.{$own['DB_CONNECTION']}"), 'database' => $own['DB_DATABASE'],
            ...isset($own['DB_HOST']) ? ['host' => $own['DB_HOST'], 'username' => $own['DB_USERNAME']] : [],
        ],
    ]);
    DB::purge();
};

foreach (['plain', 'few', 'ten-bit', 'slow', 'upright', 'tape', 'silent', 'uneven', 'hdr'] as $kind) {
    Clips::make($kind);
}
foreach ($lanes as $name => $isPostgres) {
    mt_srand($seed);
    $site = new Site("{$scratch}/".($isPostgres ? 'postgres' : 'sqlite'), $isPostgres);
    chmod($scratch, 0o755);
    $people = [];
    try {
        $site->begin();
        $watching = ['path' => "{$site->media}/watched", 'outputs' => [['preset' => 'review-720', 'host' => null]]];
        (new Tests\Support\Soak\Client)->ask('POST', "{$site->machines[0]->address}/api/watch-folders", $watching);
        $people = array_map(fn (int $number): int => User::begin($site, $number, $seed), range(1, PEOPLE));
        $faults = new Faults($site);
        $usage = new Usage($site);
        $end = hrtime(true) + 60e9 * $minutes / count($lanes);
        $taken = 0;
        while (hrtime(true) < $end) {
            for ($pause = hrtime(true) + 1e9 * mt_rand(4, 15); hrtime(true) < min($pause, $end); usleep(200_000)) {
                if (hrtime(true) - $taken > 1e9 * TAKEN_EVERY) {
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
        $connect($site);
        $audit = new Audit($site);
        $audit->drain();

        printf("\n%s, %.0f minutes, seed %d\n", $name, $minutes / count($lanes), $seed);
        foreach ($faults->counts() as $fault => $times) {
            figure("  {$fault}", "{$times} ×", 'a fault');
        }
        $answers = array_merge(...array_map(
            fn (string $file): array => array_map(fn (string $line): array => explode(' ', $line, 5), file($file, FILE_IGNORE_NEW_LINES)),
            glob("{$site->folder}/answers-*"),
        ));
        $of = fn (callable $which): array => array_values(array_filter($answers, fn (array $answer): bool => $which((int) $answer[1])));
        $broken = $of(fn (int $status): bool => $status === 500);
        figure('requests', (string) count($answers), '');
        $times = array_map(fn (array $answer): float => (float) $answer[2], $of(fn (int $status): bool => $status >= 200 && $status < 500));
        figure('answered within: half, 99 of 100', sprintf('%.2f s, %.2f s', percentile($times, 0.5), percentile($times, 0.99)), '');
        figure('answered 500', (string) count($broken), '0');
        figure('answered 503, with a sentence', (string) count($of(fn (int $status): bool => $status === 503)), 'while a database is away');
        figure('answered 502 or 504, or not at all', (string) count($of(fn (int $status): bool => in_array($status, [0, 502, 504], true))),
            'while something is dead');
        foreach ($audit->found() as $what => $value) {
            figure($what, (string) $value, '');
        }
        $recovered = $faults->recovered();
        rsort($recovered);
        $seconds = array_column($recovered, 0);
        figure('seconds until it answered after a kill: half, worst',
            sprintf('%.2f, %.2f', percentile($seconds, 0.5), max($seconds)), 'within 5');
        foreach (array_slice($recovered, 0, 5) as [$took, $victim]) {
            printf("  %.2f s: %s\n", $took, str_replace($site->folder, '…', $victim));
        }
        foreach (['memory', 'storage'] as $what) {
            [$before, $after] = $usage->quarters($what);
            figure("{$what}, last quarter / second quarter", sprintf('%.2f ×', $after / max(1, $before)),
                sprintf('flat; %.0f MB, %.0f MB', $before / 1e6, $after / 1e6));
        }
        foreach (array_unique(array_map(fn (array $answer): string => $answer[3].' '.$answer[4], $broken)) as $one) {
            echo "  500: {$one}\n";
        }
        foreach (array_slice($audit->remarks, 0, 60) as $remark) {
            echo '  ', str_replace($site->folder, '…', $remark), "\n";
        }
        $kept = storage_path('soak/'.basename($site->folder));
        File::deleteDirectory($kept);
        File::ensureDirectoryExists($kept);
        foreach ([...glob("{$site->folder}/answers-*"), ...glob("{$site->disk}/storage-*/logs/*.log")] as $file) {
            copy($file, "{$kept}/".str_replace('/', '-', substr($file, strlen($site->folder) + 1)));
        }
        echo "  logs and answers: storage/soak\n";
    } finally {
        touch("{$site->folder}/over");
        array_map(fn (int $person) => posix_kill($person, SIGKILL), $people);
        DB::purge();
        $site->end();
    }
}
