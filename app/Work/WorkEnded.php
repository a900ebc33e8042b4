<?php

namespace App\Work;

use App\Models\Work;

/** A piece of work is done, failed or stopped. */
final readonly class WorkEnded
{
    public function __construct(public Work $work)
    {
    }
}
