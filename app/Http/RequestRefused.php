<?php

namespace App\Http;

use OuterCrate\Refusals\Refused;
use OuterCrate\Refusals\Says;
use RuntimeException;

/** A request that is in its format, and cannot be answered as things are. */
final class RequestRefused extends RuntimeException implements Refused
{
    use Says;

    private function __construct(private readonly int $status, private readonly string $id, string $what, string $todo)
    {
        $this->say($what, $todo);
    }

    /** What was asked for is not there, or not yet. */
    public static function notThere(string $what, string $todo): self
    {
        return new self(404, 'not-found', $what, $todo);
    }

    public static function notPossible(string $what, string $todo): self
    {
        return new self(422, 'refused', $what, $todo);
    }

    public function id(): string
    {
        return $this->id;
    }

    public function status(): int
    {
        return $this->status;
    }
}
