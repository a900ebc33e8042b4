<?php

namespace App\Watching;

use OuterCrate\Refusals\Refused;
use OuterCrate\Refusals\Says;
use RuntimeException;

/** A folder that cannot be watched; nothing was changed. */
final class WatchRefused extends RuntimeException implements Refused
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
