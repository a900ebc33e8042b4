<?php

namespace StandIn\Http;

use RuntimeException;

/** An answer that says no. */
final class Refusal extends RuntimeException
{
    /**
     * @param  string  $id  short and stable, for programs
     * @param  array<string, string|int>  $headers
     * @param  list<string>  $missing  what is not in order yet
     */
    public function __construct(
        public readonly int $status,
        public readonly string $id,
        string $text,
        public readonly array $headers = [],
        public readonly array $missing = [],
    ) {
        parent::__construct($text);
    }
}
