<?php

declare(strict_types=1);

namespace OuterCrate\Checks;

use OuterCrate\Planning\Plan;

/** Looks at a plan for one kind of mistake. */
interface Check
{
    public function look(Plan $plan, Subject $subject): ?Finding;
}
