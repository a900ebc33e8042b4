<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Findings;

use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;

/** Looks at a plan for one kind of mistake. */
interface Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding;
}
