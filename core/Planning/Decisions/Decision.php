<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Decisions;

use OuterCrate\Planning\Cell;
use OuterCrate\Planning\Draft;
use OuterCrate\Planning\PlanImpossible;

/** Decides one cell from its rule, the cut and the host. */
interface Decision
{
    public function cell(): Cell;

    /** @throws PlanImpossible when the rule leads to no value */
    public function decide(Draft $draft): void;
}
