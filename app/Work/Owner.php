<?php

namespace App\Work;

use App\Configuration\WorkSettings;

/** The name under which a process has work in hand: it tells whether the process is still there. */
final class Owner
{
    public static function current(): string
    {
        return self::of((int) getmypid());
    }

    /** @param  int  $process  of this machine */
    public static function of(int $process): string
    {
        return implode(':', [self::machine(), $process, self::begun($process), bin2hex(random_bytes(4))]);
    }

    /** Whether its process was of this machine and has ended; one of another machine may well be there. */
    public static function isGone(string $owner): bool
    {
        [$host, $process, $begun] = explode(':', $owner) + [1 => '', ''];

        return $host === self::machine() && ctype_digit($process) && self::begun((int) $process) !== $begun;
    }

    /** Whether its process is, or was, of this machine. */
    public static function isHere(string $owner): bool
    {
        return str_starts_with($owner, self::machine().':');
    }

    /** Whether its process is there, or may be: of another machine nobody can tell. */
    public static function mayBeThere(string $owner): bool
    {
        return substr_count($owner, ':') === 3 && ! self::isGone($owner);
    }

    /** As the configuration calls this one; a colon would part its name. */
    public static function machine(): string
    {
        return str_replace(':', '-', app(WorkSettings::class)->machine);
    }

    /**
     * When a process began, in clock ticks after the machine's start (proc(5), stat, 3 and 22); numbers of processes come again. Empty of
     * one that has ended, also where nobody has asked yet how.
     */
    private static function begun(int $process): string
    {
        $stat = @file_get_contents("/proc/{$process}/stat");
        $fields = explode(' ', substr((string) $stat, (int) strrpos((string) $stat, ')')));

        return ($fields[1] ?? 'Z') === 'Z' ? '' : $fields[20];
    }
}
