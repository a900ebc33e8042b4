<?php

declare(strict_types=1);

namespace OuterCrate\Pieces;

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
}
