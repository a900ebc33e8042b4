<?php

declare(strict_types=1);

namespace OuterCrate\Checks;

use OuterCrate\Reading\Reading;

/** What a plan is checked against: the cut, and what is known of the machine. */
final readonly class Subject
{
    /**
     * @param  list<string>|null  $encoders  the engine's encoders; null when it was not asked
     * @param  int|null  $freeBytes  on the volume of the target folder; null when unknown
     */
    public function __construct(public Reading $reading, public ?array $encoders = null, public ?int $freeBytes = null)
    {
    }
}
