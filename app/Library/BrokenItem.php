<?php

namespace App\Library;

use OuterCrate\Refusals\Refused;
use OuterCrate\Refusals\Says;
use RuntimeException;

/** A preset or host of one's own that this version cannot make anything of. */
final class BrokenItem extends RuntimeException implements Refused
{
    use Says;

    public function __construct(Kind $kind, string $name, string $fault)
    {
        $this->say("The {$kind->value} “{$name}” cannot be used: {$fault}", 'Go back to an earlier version of it, or put it right.');
    }

    public function id(): string
    {
        return 'broken-item';
    }

    public function status(): int
    {
        return 422;
    }
}
