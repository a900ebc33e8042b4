<?php

namespace App\Work\Calls;

/**
 * How workers hear that there may be something to do. A call that is missed costs time, and nothing else: what there is they ask the
 * database.
 */
interface Calls
{
    /** Something was put into the queue, or left its place there. */
    public function call(): void;

    /** Returns when somebody called since the last time, or after so many seconds. */
    public function wait(float $seconds): void;
}
