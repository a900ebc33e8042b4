<?php

namespace App\Work\Calls;

use App\Engine\Waiting;

/**
 * How workers hear that there may be something to do. A call that is missed costs time, and nothing else: what there is they ask the
 * database.
 */
interface Calls extends Waiting
{
    /** Something was put into the queue, or left its place there. */
    public function call(): void;
}
