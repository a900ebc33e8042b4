<?php

namespace App\Packing;

use OuterCrate\Refusals\Refused;
use OuterCrate\Refusals\Says;
use RuntimeException;

/** A pack that is known beforehand not to work; nothing was queued. */
final class PackRefused extends RuntimeException implements Refused
{
    use Says;

    public function __construct(string $what, string $todo)
    {
        $this->say($what, $todo);
    }

    public function id(): string
    {
        return 'refused';
    }

    public function status(): int
    {
        return 422;
    }
}
