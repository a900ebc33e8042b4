<?php

namespace App\Library;

use OuterCrate\Refusals\Refused;
use OuterCrate\Refusals\Says;
use RuntimeException;

/** A preset or host that is not there. */
final class UnknownName extends RuntimeException implements Refused
{
    use Says;

    /** @param  list<string>  $known */
    public function __construct(string $kind, string $name, array $known)
    {
        $this->say("There is no {$kind} “{$name}”.", 'There is: '.implode(', ', $known).'.');
    }

    public function id(): string
    {
        return 'unknown-name';
    }

    public function status(): int
    {
        return 422;
    }
}
