<?php

namespace App\Work;

use RuntimeException;

/** It cannot be done yet: it goes back into the queue, and is tried again after a while. */
final class Postponed extends RuntimeException
{
    public function __construct(string $why, public readonly int $seconds)
    {
        parent::__construct($why);
    }
}
