<?php

namespace App\Work;

use RuntimeException;

/** It does not work for now: it goes back into the queue, and is tried again later. */
final class Postponed extends RuntimeException
{
    public function __construct(string $why, public readonly int $seconds)
    {
        parent::__construct($why);
    }
}
