<?php

namespace App\Upkeep;

use OuterCrate\Refusals\Refused;
use OuterCrate\Refusals\Says;
use RuntimeException;

/** What keeps Outer Crate from starting; nothing was changed. */
final class StartRefused extends RuntimeException implements Refused
{
    use Says;

    public function __construct(string $what, string $todo, private readonly string $id)
    {
        $this->say($what, $todo);
    }

    public function id(): string
    {
        return $this->id;
    }

    public function status(): int
    {
        return 503;
    }
}
