<?php

namespace App\Work\Calls;

/** Nobody calls: one looks again in a moment. On one machine that is asked for less than a call would be. */
final class Polling implements Calls
{
    /** Microseconds between looks at an empty queue. */
    private const PAUSE = 200_000;

    public function call(): void
    {
    }

    public function wait(): void
    {
        usleep(self::PAUSE);
    }
}
