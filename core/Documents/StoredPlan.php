<?php

declare(strict_types=1);

namespace OuterCrate\Documents;

use OuterCrate\Planning\Plan;

/** A plan read from its document. */
final readonly class StoredPlan
{
    /** @param  list<string>  $decidedNow  cells missing from the document, decided by the current rules */
    public function __construct(public Plan $plan, public array $decidedNow = [])
    {
    }
}
