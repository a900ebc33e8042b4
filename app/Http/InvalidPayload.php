<?php

namespace App\Http;

use OuterCrate\Refusals\Refused;
use OuterCrate\Refusals\Says;
use RuntimeException;

/** A request body that breaks its schema. */
final class InvalidPayload extends RuntimeException implements Refused
{
    use Says;

    /** @var list<array{path: string, text: string}> */
    public readonly array $faults;

    /** @param  list<array{path: string, text: string, says?: string}>  $faults */
    public function __construct(array $faults)
    {
        $first = $faults[0] ?? ['path' => '', 'text' => ''];
        $this->say('This was not taken: '.($first['says'] ?? "{$first['path']} {$first['text']}").'.', '');
        $this->faults = array_map(fn (array $fault): array => ['path' => $fault['path'], 'text' => $fault['text']], $faults);
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
