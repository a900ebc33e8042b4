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

    /** Returns after a call since the last wait, or after this many seconds. */
    public function wait(float $seconds): void;
}
