<?php

namespace App\Database;

use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\Log;
use Throwable;

/** Logs that the database is full, busy, damaged or gone: a line, and no more than one a minute for each. */
final class FaultLog
{
    private const SECONDS = 60;

    /** @return bool|null false where it was noted, and nothing else is to be logged of it */
    public static function note(Throwable $e): ?bool
    {
        $fault = DatabaseFault::of($e);
        if ($fault === null) {
            return null;
        }
        // With a full drive neither can be written; the answer says it all the same.
        rescue(function () use ($fault, $e): void {
            if (Cache::add("fault:{$fault->value}", true, self::SECONDS)) {
                Log::error("{$fault->message()} ".mb_strcut((string) preg_replace('~\s+~', ' ', $e->getMessage()), 0, 200));
            }
        }, report: false);

        return false;
    }
}
