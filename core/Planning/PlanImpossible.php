<?php

declare(strict_types=1);

namespace OuterCrate\Planning;

use RuntimeException;

/** A rule that leads to no value for this cut. Says which cell and why; becomes a finding that stops the output. */
final class PlanImpossible extends RuntimeException
{
    public function __construct(public readonly string $cell, string $message)
    {
        parent::__construct($message);
    }
}
