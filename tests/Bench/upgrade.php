<?php

/*
 * Upgrades that are killed at any moment: afterwards the next one has to succeed, and every row has to be there. On SQLite and on a
 * PostgreSQL of its own.
 *
 * usage: bin/bench upgrade [TIMES]      10 of each when left out
 */

use Illuminate\Support\Facades\DB;
use Symfony\Component\Process\Process;
use Tests\Support\Later\LaterVersion;

require __DIR__.'/bench.php.inc';

const ROWS = 400;

$times = (int) ($argv[1] ?? 10);

/**
 * @param  array<string, string>  $environment
 * @return array{float, bool} how long it took, and whether it ended well
 */
$upgrade = function (array $environment, ?float $killedAfter = null): array {
    $begun = microtime(true);
    $process = new Process(['php', LaterVersion::ARTISAN, 'crate:upgrade'], base_path(), $environment, null, 60);
    $process->start();
    while ($process->isRunning()) {
        if ($killedAfter !== null && microtime(true) - $begun > $killedAfter) {
            $process->stop(0, SIGKILL);
            break;
        }
        usleep(500);
    }

    return [microtime(true) - $begun, $process->getExitCode() === 0];
};

/** @param  Closure(): array<string, string>  $earlier  lays a database of an earlier version anew and tells where it is */
$round = function (string $name, Closure $earlier, Closure $connect) use ($times, $upgrade): void {
    [$whole] = $upgrade($earlier());
    for ($interrupted = $broken = 0; $interrupted < $times;) {
        $environment = $earlier();
        // From the first moment to the last, evenly: the middle is where the database is written.
        [$seconds, $isDone] = $upgrade($environment, $whole * (0.02 + 0.98 * ($interrupted + 0.5) / $times));
        if ($isDone) {
            // The upgrade finished before it was killed, because the machine became faster. It does not count.
            $whole = $seconds;

            continue;
        }
        $interrupted++;
        [, $isDone] = $upgrade($environment);
        $connect($environment);
        $isWhole = $isDone && LaterVersion::counts() === ['settings' => ROWS, 'cuts' => ROWS, 'sheet_versions' => ROWS];
        $broken += $isWhole ? 0 : 1;
    }
    figure("{$name}: upgrades that never came to an end, of {$interrupted} interrupted", (string) $broken, '0');
};

$file = "{$scratch}/earlier.sqlite";
config(['database.connections.sqlite.database' => $file]);
touch($file);
DB::purge();
LaterVersion::fill(ROWS);
DB::purge();
$round('SQLite', function () use ($file, $scratch): array {
    foreach (glob("{$scratch}/upgraded.sqlite*") as $old) {
        unlink($old);
    }
    copy($file, "{$scratch}/upgraded.sqlite");

    return ['DB_DATABASE' => "{$scratch}/upgraded.sqlite", 'CRATE_BACKUPS' => "{$scratch}/backups"];
}, function (array $environment): void {
    DB::purge();
    config(['database.connections.sqlite.database' => $environment['DB_DATABASE']]);
});

$admin = beginPostgres($scratch);
$on = ['DB_CONNECTION' => 'pgsql', 'DB_HOST' => "{$scratch}/pg", 'DB_USERNAME' => 'crate', 'CRATE_BACKUPS' => "{$scratch}/backups"];
$admin->exec('create database earlier');
usePostgres($scratch, 'earlier');
LaterVersion::fill(ROWS);
DB::disconnect();
$number = 0;
$round('PostgreSQL', function () use ($admin, $on, &$number): array {
    DB::disconnect();
    $number === 0 ?: $admin->exec("drop database upgraded{$number} with (force)");
    $number++;
    $admin->exec("create database upgraded{$number} template earlier");

    return [...$on, 'DB_DATABASE' => "upgraded{$number}"];
}, function (array $environment): void {
    config(['database.connections.pgsql.database' => $environment['DB_DATABASE']]);
    DB::purge();
});
