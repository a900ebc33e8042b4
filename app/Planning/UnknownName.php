<?php

namespace App\Planning;

use RuntimeException;

/** A preset or host that is not there. */
final class UnknownName extends RuntimeException
{
    /** @param  list<string>  $known */
    public function __construct(string $kind, string $name, array $known)
    {
        parent::__construct("There is no {$kind} “{$name}”. There is: ".implode(', ', $known).'.');
    }
}
