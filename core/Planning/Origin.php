<?php

declare(strict_types=1);

namespace OuterCrate\Planning;

use InvalidArgumentException;
use OuterCrate\Json\Fields;

/** Where a value came from, and a few words that say why. */
final readonly class Origin
{
    public function __construct(public OriginSource $source, public string $text)
    {
    }

    /** @throws InvalidArgumentException when it is none */
    public static function fromArray(Fields $origin): self
    {
        return new self($origin->needCase('from', OriginSource::class), $origin->needText('text'));
    }

    /** @return array{from: string, text: string} */
    public function toArray(): array
    {
        return ['from' => $this->source->value, 'text' => $this->text];
    }
}
