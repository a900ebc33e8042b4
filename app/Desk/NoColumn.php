<?php

namespace App\Desk;

use OuterCrate\Refusals\Refused;
use OuterCrate\Refusals\Says;
use RuntimeException;

/** A column that a sheet does not have, or no longer. */
final class NoColumn extends RuntimeException implements Refused
{
    use Says;

    public function __construct(string $cut)
    {
        $this->say("The sheet of {$cut} has no such output, or no longer.", 'Load the sheet again.');
    }

    public function id(): string
    {
        return 'no-column';
    }

    public function status(): int
    {
        return 404;
    }
}
