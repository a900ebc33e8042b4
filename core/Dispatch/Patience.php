<?php

declare(strict_types=1);

namespace OuterCrate\Dispatch;

/** How long is waited before what failed for a while is tried again. */
final class Patience
{
    /** Seconds before the first try after a failure, and at most. */
    private const FIRST = 2;

    private const LONGEST = 600;

    /**
     * Seconds: twice as many after each failure in a row; never fewer than the host asked for.
     *
     * @param  int  $failures  in a row, from 1 on
     * @param  int|null  $asked  seconds that the host asked for (Retry-After, RFC 9110, 10.2.3)
     */
    public static function after(int $failures, ?int $asked): int
    {
        return max($asked ?? 0, min(self::LONGEST, self::FIRST * 2 ** min(16, max(0, $failures - 1))));
    }

    /**
     * Seconds that a Retry-After says; null where it says nothing that can be read.
     *
     * @param  int  $now  Unix time
     */
    public static function asked(?string $header, int $now): ?int
    {
        if ($header === null || $header === '') {
            return null;
        }
        if (ctype_digit($header)) {
            return min(86_400, (int) $header);
        }
        $at = strtotime($header);

        return $at === false ? null : max(0, min(86_400, $at - $now));
    }
}
