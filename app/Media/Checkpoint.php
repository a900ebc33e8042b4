<?php

namespace App\Media;

use OuterCrate\Analysis\Facts;
use OuterCrate\Analysis\Glance;

/** How far an analysis has come. */
final class Checkpoint
{
    /** @param  Glance|null  $reference  the picture that a still under way began with */
    public function __construct(public int $segments = 0, public Facts $facts = new Facts, public ?Glance $reference = null)
    {
    }
}
