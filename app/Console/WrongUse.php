<?php

namespace App\Console;

use OuterCrate\Refusals\Refused;
use OuterCrate\Refusals\Says;
use RuntimeException;

/** A command that was called in a way it does not know. */
final class WrongUse extends RuntimeException implements Refused
{
    use Says;

    public function __construct(string $what)
    {
        $this->say($what, '');
    }

    public function id(): string
    {
        return 'wrong-use';
    }

    public function status(): int
    {
        return 422;
    }
}
