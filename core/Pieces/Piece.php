<?php

declare(strict_types=1);

namespace OuterCrate\Pieces;

use InvalidArgumentException;
use OuterCrate\Json\Fields;
use OuterCrate\Units\FrameRange;

/** A part of a cut that becomes a file of its own. */
final readonly class Piece
{
    /**
     * @param  string  $number  as it stands in a name: 01, 02 …, of as many digits as the last one
     * @param  string  $name  empty where it has none
     */
    public function __construct(public FrameRange $frames, public string $number, public string $name = '')
    {
    }

    /** @throws InvalidArgumentException when it is none */
    public static function fromArray(Fields $piece): self
    {
        return new self($piece->asRange(), $piece->needText('number'), $piece->text('name') ?? '');
    }

    /** @return array{first: int, last: int, number: string, name: string} */
    public function toArray(): array
    {
        return $this->frames->toArray() + ['number' => $this->number, 'name' => $this->name];
    }
}
