<?php

namespace App\Database;

use Closure;
use Illuminate\Support\Facades\DB;

/**
 * Writes so that it is on the disk before this goes on, whatever happens to the machine. SQLite leaves that to the system otherwise: in its
 * journal nothing breaks by it, and the last moment is lost with the power (“synchronous”, NORMAL). PostgreSQL waits for the disk always.
 */
final class Durably
{
    public static function write(Closure $write): void
    {
        if (DB::getDriverName() !== 'sqlite') {
            $write();

            return;
        }
        DB::statement('pragma synchronous = full');
        try {
            $write();
        } finally {
            DB::statement('pragma synchronous = normal');
        }
    }
}
