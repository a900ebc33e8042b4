<?php

namespace App\Http;

use OuterCrate\Refusals\Answers;
use OuterCrate\Refusals\Refused;
use RuntimeException;

/** A request that is in its format, and cannot be answered as things are. */
final class RequestRefused extends RuntimeException implements Refused
{
    use Answers;

    /** What was asked for is not there, or not yet. */
    public static function notThere(string $what, string $todo): self
    {
        return new self(404, 'not-found', $what, $todo);
    }

    public static function notPossible(string $what, string $todo): self
    {
        return new self(422, 'refused', $what, $todo);
    }
}
