<?php

namespace App\Resources;

/** A moment as answers tell it: in UTC, to the second (RFC 3339). */
final class Moment
{
    /** @param  int  $seconds  since 1970 */
    public static function at(int $seconds): string
    {
        return gmdate('Y-m-d\TH:i:s\Z', $seconds);
    }

    /** @param  string|null  $written  as the database has it, in UTC */
    public static function written(?string $written): ?string
    {
        return $written === null ? null : self::at((int) strtotime($written));
    }
}
