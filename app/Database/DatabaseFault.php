<?php

namespace App\Database;

use Illuminate\Database\LostConnectionDetector;
use Illuminate\Database\QueryException;
use PDOException;
use Throwable;

/** What is wrong with a database that refused something, in words: full, busy, damaged, gone. Null where the question was wrong. */
enum DatabaseFault: string
{
    case Busy = 'database-busy';
    case Full = 'database-full';
    case ReadOnly = 'database-read-only';
    case Damaged = 'database-damaged';
    case Gone = 'database-gone';

    /** Result codes of SQLite (sqlite.org, “Result and Error Codes”). */
    private const SQLITE = [
        5 => self::Busy, 6 => self::Busy, 8 => self::ReadOnly, 10 => self::Full, 11 => self::Damaged, 13 => self::Full, 14 => self::Gone,
        26 => self::Damaged,
    ];

    /** Of PostgreSQL, by how they begin (appendix A): 08 connection, 28 sign-in, 3D no such database, 53100 disk full, 55P03 locked … */
    private const POSTGRES = [
        '53100' => self::Full, '55P03' => self::Busy, '57014' => self::Busy, '53300' => self::Busy, '25006' => self::ReadOnly,
        'XX001' => self::Damaged, 'XX002' => self::Damaged, '57P0' => self::Gone, '08' => self::Gone, '28' => self::Gone,
        '3D' => self::Gone,
    ];

    public static function of(Throwable $e): ?self
    {
        if (! $e instanceof PDOException) {
            return null;
        }
        // Laravel looks whether the file is there before it opens it, and says so in an exception of its own.
        $cause = $e instanceof QueryException ? $e->getPrevious() : $e;
        if ($cause instanceof \Illuminate\Database\SQLiteDatabaseDoesNotExistException) {
            return self::Gone;
        }
        $info = $e->errorInfo ?? ($cause instanceof PDOException ? $cause->errorInfo : null);
        $text = $e->getMessage();
        if (preg_match('~SQLSTATE\[HY000\](?: \[(\d+)\]|: General error: (\d+))~', $text, $m, PREG_UNMATCHED_AS_NULL) === 1
            && ! str_contains($text, 'server closed')) {
            return self::SQLITE[(int) ($info[1] ?? $m[1] ?? $m[2]) & 0xFF] ?? self::lost($e);
        }
        $state = (string) ($info[0] ?? $e->getCode());
        foreach (self::POSTGRES as $beginning => $fault) {
            if (str_starts_with($state, (string) $beginning) || str_contains($text, "SQLSTATE[{$beginning}")) {
                return $fault;
            }
        }

        return self::lost($e);
    }

    public function message(): string
    {
        return match ($this) {
            self::Busy => 'The database is busy.',
            self::Full => 'The drive of the database is full or cannot be written to.',
            self::ReadOnly => 'The database cannot be written to.',
            self::Damaged => 'The database is damaged.',
            self::Gone => 'The database does not answer.',
        };
    }

    public function kept(): string
    {
        return 'Nothing was changed; files that are being made are made on.';
    }

    public function todo(): string
    {
        return match ($this) {
            self::Busy, self::Gone => 'This page asks again by itself.',
            self::Full => 'Free some space on its drive, then try again.',
            self::ReadOnly => 'Let the user who runs Outer Crate write to the file and its folder, then try again.',
            self::Damaged => 'Stop Outer Crate and put the newest copy back: bin/crate database restore.',
        };
    }

    private static function lost(Throwable $e): ?self
    {
        return (new LostConnectionDetector)->causedByLostConnection($e) ? self::Gone : null;
    }
}
