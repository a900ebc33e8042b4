<?php

namespace App\Http;

use RuntimeException;

/** A request body that breaks its schema. */
final class InvalidPayload extends RuntimeException
{
    /** @param  list<array{path: string, text: string}>  $faults */
    public function __construct(public readonly array $faults)
    {
        parent::__construct('The request is not in its format.');
    }
}
