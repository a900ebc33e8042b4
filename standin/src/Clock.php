<?php

namespace StandIn;

use Illuminate\Support\Carbon;

/** The host's own clock, which a fault puts ahead. */
final class Clock
{
    /** @param  array<string, int|string>|null  $fault */
    public static function set(?array $fault): void
    {
        Carbon::setTestNow();
        $fault === null ?: Carbon::setTestNow(Carbon::now()->addSeconds((int) ($fault['seconds'] ?? 0)));
    }
}
