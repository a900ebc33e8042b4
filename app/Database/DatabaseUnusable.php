<?php

namespace App\Database;

use OuterCrate\Refusals\Refused;
use OuterCrate\Refusals\Says;
use RuntimeException;

/** A database that cannot be used as it is; nothing in it was changed. */
final class DatabaseUnusable extends RuntimeException implements Refused
{
    use Says;

    public function __construct(string $what, string $todo, private readonly string $id = 'database')
    {
        $this->say($what, $todo);
    }

    public function id(): string
    {
        return $this->id;
    }

    /** The service is not there for the moment (RFC 9110, 15.6.4). */
    public function status(): int
    {
        return 503;
    }
}
