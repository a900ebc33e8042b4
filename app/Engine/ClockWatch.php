<?php

namespace App\Engine;

/** Notices when the time of day is set back while this process runs. */
final class ClockWatch
{
    /** Seconds by which clocks are corrected all the time. */
    private const CORRECTED = 30.0;

    private float $ahead;

    public function __construct()
    {
        $this->ahead = self::ahead();
    }

    /** Whether it was set back since the last look. */
    public function wasSetBack(): bool
    {
        $before = $this->ahead;
        $this->ahead = self::ahead();

        return $this->ahead < $before - self::CORRECTED;
    }

    /** Seconds by which the time of day is ahead of the clock that nobody sets. */
    private static function ahead(): float
    {
        return now()->getPreciseTimestamp() / 1e6 - Clock::seconds();
    }
}
