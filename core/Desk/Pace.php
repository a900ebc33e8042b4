<?php

declare(strict_types=1);

namespace OuterCrate\Desk;

use OuterCrate\Estimates\TimeEstimate;
use OuterCrate\Units\LineSpeed;

/** How fast this machine makes files, and its line sends them. */
final readonly class Pace
{
    public function __construct(public TimeEstimate $times, public LineSpeed $line)
    {
    }
}
