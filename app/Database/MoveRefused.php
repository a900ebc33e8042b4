<?php

namespace App\Database;

use OuterCrate\Refusals\Declines;
use OuterCrate\Refusals\Refused;
use RuntimeException;

/** A database that cannot be copied or carried over; nothing was changed. */
final class MoveRefused extends RuntimeException implements Refused
{
    use Declines;

    public function __construct(string $what, string $todo)
    {
        $this->say($what, $todo);
    }
}
