<?php

declare(strict_types=1);

namespace OuterCrate\Documents;

use OuterCrate\Planning\Plan;

/** A plan as its document holds it. */
final readonly class StoredPlan
{
    /** @param  list<string>  $decidedNow  cells that the document lacks, decided by today’s rules */
    public function __construct(public Plan $plan, public array $decidedNow = [])
    {
    }
}
