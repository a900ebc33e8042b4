<?php

declare(strict_types=1);

namespace OuterCrate\Planning;

/** Where a value came from, and a few words that say why. */
final readonly class Origin
{
    public function __construct(public OriginSource $source, public string $text)
    {
    }

    /** @return array{from: string, text: string} */
    public function toArray(): array
    {
        return ['from' => $this->source->value, 'text' => $this->text];
    }
}
