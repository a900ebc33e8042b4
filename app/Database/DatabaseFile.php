<?php

namespace App\Database;

use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Log;

/**
 * Detects that the SQLite file was replaced, for example by a backup. A process with the old file open would otherwise keep writing to it,
 * and every write would be lost.
 */
final class DatabaseFile
{
    /** @var array<string, string> device and inode of the file, by its path, as it was seen last */
    private static array $seen = [];

    /** Closes the connection if the file was replaced or moved; the next query opens the current file. */
    public static function look(): void
    {
        if (DB::getDriverName() !== 'sqlite') {
            return;
        }
        $file = (string) DB::connection()->getConfig('database');
        if (! str_starts_with($file, '/')) {
            return;
        }
        clearstatcache(true, $file);
        $stat = @stat($file);
        $now = $stat === false ? 'gone' : "{$stat['dev']}:{$stat['ino']}";
        $before = self::$seen[$file] ?? $now;
        self::$seen[$file] = $now;
        if ($before !== $now) {
            DB::purge();
            Log::warning($now === 'gone' ? "The database {$file} has gone." : "The database {$file} was replaced; the new one is used.");
        }
    }
}
