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

    public function __toString(): string
    {
        return "{$this->size} at {$this->left}, {$this->top}";
    }
}
