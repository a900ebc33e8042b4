<?php

namespace App\Console;

use OuterCrate\Refusals\Refused;
use OuterCrate\Refusals\Says;
use RuntimeException;

/** A transit test that ended without a result. */
final class TestNotDone extends RuntimeException implements Refused
{
    use Says;

    public function __construct(string $why)
    {
        $this->say($why, 'Test again: what was made is kept.');
    }

    public function id(): string
    {
        return 'not-done';
    }

    public function status(): int
    {
        return 422;
    }
}
