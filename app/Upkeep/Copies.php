<?php

namespace App\Upkeep;

use App\Database\DatabaseUnusable;
use App\Engine\Runner;
use Illuminate\Support\Facades\DB;

/** Copies of the database that are made before an upgrade; the last three are kept. */
final class Copies
{
    private const KEPT = 3;

    /** Seconds that a copy of PostgreSQL may take. */
    private const PATIENCE = 3600;

    public function __construct(private readonly Runner $runner)
    {
    }

    /**
     * @return string where it lies
     *
     * @throws DatabaseUnusable
     */
    public function make(): string
    {
        $folder = self::folder();
        is_dir($folder) || @mkdir($folder, 0o700, true);
        $isSqlite = DB::getDriverName() === 'sqlite';
        $copy = $folder.'/outer-crate-'.gmdate('Ymd-His').'-'.bin2hex(random_bytes(3)).($isSqlite ? '.sqlite' : '.dump');
        $isSqlite ? $this->ofSqlite("{$copy}.partial") : $this->ofPostgres("{$copy}.partial");
        chmod("{$copy}.partial", 0o600);
        rename("{$copy}.partial", $copy);
        foreach (array_slice(self::all(), self::KEPT) as $old) {
            @unlink($old);
        }

        return $copy;
    }

    /** @return list<string> the newest first */
    public static function all(): array
    {
        $copies = glob(self::folder().'/outer-crate-*.{sqlite,dump}', GLOB_BRACE) ?: [];
        rsort($copies);

        return $copies;
    }

    /**
     * Puts a copy in the place of an SQLite database, which is kept beside it.
     *
     * @return string where the database that was there lies now
     *
     * @throws DatabaseUnusable
     */
    public static function restore(string $copy): string
    {
        $database = (string) config('database.connections.sqlite.database');
        $new = "{$database}.restored";
        if (@file_get_contents($copy, length: strlen(Condition::HEADER)) !== Condition::HEADER || ! @copy($copy, $new)) {
            $todo = 'Choose another: bin/crate database copies lists them.';
            throw new DatabaseUnusable("{$copy} is no copy of a database, or cannot be read.", $todo);
        }
        chmod($new, 0o600);
        $aside = $database.'.before-'.gmdate('Ymd-His');
        DB::purge();
        // What stands in the journal belongs to the database that was there.
        foreach (['', '-wal', '-shm'] as $part) {
            is_file($database.$part) && rename($database.$part, $aside.$part);
        }
        rename($new, $database);

        return $aside;
    }

    public static function folder(): string
    {
        return (string) config('crate.backups');
    }

    private function ofSqlite(string $file): void
    {
        DB::statement('vacuum into ?', [$file]);
    }

    private function ofPostgres(string $file): void
    {
        $to = config('database.connections.pgsql');
        // By its surroundings: arguments are seen by everybody on the machine.
        foreach (['PGPASSWORD' => $to['password'], 'PGSSLMODE' => $to['sslmode']] as $name => $value) {
            putenv("{$name}={$value}");
        }
        $status = $this->runner->handOver([
            'pg_dump', '--format=custom', '--no-password', "--host={$to['host']}", "--port={$to['port']}", "--username={$to['username']}",
            "--file={$file}", (string) $to['database'],
        ], '', self::PATIENCE);
        if ($status !== 0) {
            throw new DatabaseUnusable(
                'The database could not be copied before its upgrade'.($status === 127 ? ': pg_dump is not installed.' : '.'),
                'Install postgresql-client in the version of the server, or copy it yourself and run php artisan migrate --force.',
            );
        }
    }
}
