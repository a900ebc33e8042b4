<?php

namespace App\Database;

use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Log;

/**
 * Whether the SQLite file is still the one that was opened. One that was put in its place, as from a backup, would go unnoticed: who has
 * the old one open reads and writes it on, and nobody else ever sees that.
 */
final class DatabaseFile
{
    /** @var array<string, string> device and inode of the file, by its path, as it was seen last */
    private static array $seen = [];

    /** Lets go of a file that was replaced or moved; the next question opens what is there now. */
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
