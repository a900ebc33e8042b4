<?php

namespace App\Engine;

/** Detects that the system clock was set back while this process runs. */
final class ClockWatch
{
    /** Smaller steps are routine time corrections. */
    private const MIN_STEP_SECONDS = 30.0;

    private float $offset;

    public function __construct()
    {
        $this->offset = self::offset();
    }

    /** Whether the clock was set back since the last call. */
    public function wasSetBack(): bool
    {
        $before = $this->offset;
        $this->offset = self::offset();

        return $this->offset < $before - self::MIN_STEP_SECONDS;
    }

    /** Seconds between the system clock and the monotonic clock. */
    private static function offset(): float
    {
        return now()->getPreciseTimestamp() / 1e6 - Clock::seconds();
    }
}
