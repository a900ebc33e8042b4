<?php

declare(strict_types=1);

namespace OuterCrate\Units;

use InvalidArgumentException;

/** A part of a picture, in its pixels, counted from the upper left corner. */
final readonly class FrameWindow
{
    /** @throws InvalidArgumentException when it begins outside */
    public function __construct(public int $left, public int $top, public FrameSize $size)
    {
        if ($left < 0 || $top < 0) {
            throw new InvalidArgumentException("A part of a picture cannot begin at {$left}, {$top}.");
        }
    }

    /** @return array{left: int, top: int, width: int, height: int} */
    public function toArray(): array
    {
        return ['left' => $this->left, 'top' => $this->top, 'width' => $this->size->width, 'height' => $this->size->height];
    }

    public function __toString(): string
    {
        return "{$this->size} at {$this->left}, {$this->top}";
    }
}
