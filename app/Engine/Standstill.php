<?php

namespace App\Engine;

/** Spaces out the checks whether a paused run was resumed. A call from another process triggers the next check. */
final class Standstill
{
    /** Seconds. Without Redis, calls from other machines do not arrive, so the work is checked at least this often. */
    private const LONGEST = 4.0;

    /** Seconds after a call. Meter checks a paused run at most once a second and may have skipped this one. */
    private const AFTER_CALL = 1.0;

    private float $longest = self::LONGEST;

    public function __construct(private readonly Waiting $calls)
    {
    }

    public function rest(): void
    {
        $begun = Clock::seconds();
        $this->calls->wait($this->longest);
        $this->longest = Clock::seconds() - $begun < 0.9 * $this->longest ? self::AFTER_CALL : self::LONGEST;
    }
}
