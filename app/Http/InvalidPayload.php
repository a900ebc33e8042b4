<?php

namespace App\Http;

use OuterCrate\Refusals\Refused;
use OuterCrate\Refusals\Says;
use RuntimeException;

/** A request body that breaks its schema. */
final class InvalidPayload extends RuntimeException implements Refused
{
    use Says;

    /** @param  list<array{path: string, text: string}>  $faults */
    public function __construct(public readonly array $faults)
    {
        $this->say('The request is not in its format: '.($faults[0]['path'] ?? '').' '.($faults[0]['text'] ?? ''), '');
    }

    public function id(): string
    {
        return 'malformed';
    }

    public function status(): int
    {
        return 422;
    }
}
