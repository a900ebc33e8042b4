<?php

namespace App\Work;

/** The name under which a process has work in hand: it tells whether the process is still there. */
final class Owner
{
    public static function current(): string
    {
        return gethostname().':'.getmypid().':'.bin2hex(random_bytes(4));
    }

    /** Whether its process was of this machine and has ended; one of another machine may well be there. */
    public static function isGone(string $owner): bool
    {
        [$host, $process] = explode(':', $owner) + [1 => ''];

        return $host === gethostname() && ctype_digit($process) && ! self::isThere((int) $process);
    }

    private static function isThere(int $process): bool
    {
        return posix_kill($process, 0) || posix_get_last_error() !== PCNTL_ESRCH;
    }
}
