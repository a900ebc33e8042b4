<?php

namespace App\Engine;

/** Seconds of a clock that nobody sets: what lasts is measured by it, and not by the time of day. */
final class Clock
{
    public static function seconds(): float
    {
        return hrtime(true) / 1e9;
    }
}
