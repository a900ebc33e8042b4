<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells;

use OuterCrate\Planning\Plan;

/** A cell that explains itself where its name stands. */
interface Explains
{
    /** @param  int  $bytes  of the file, as estimated */
    public function help(Plan $plan, int $bytes): Help;
}
