<?php

namespace App\Engine;

/** The pauses between looks at work that is paused, possibly for days. A call ends them at once: somebody may have let it go on. */
final class Standstill
{
    /** Seconds at most: who calls from another machine is not heard without Redis. */
    private const LONGEST = 4.0;

    /** Seconds at most after a call. It may have come too soon after the last look to be looked after. */
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
