<?php

declare(strict_types=1);

namespace OuterCrate\Estimates\Sampling;

use OuterCrate\Units\FrameRange;

/** A short part of a cut that stands for a longer one. */
final readonly class Piece
{
    /**
     * @param  FrameRange  $frames  of the cut
     * @param  float  $share  of the range that it stands for, 0 to 1
     * @param  float  $weight  how much more there is to code in what it stands for than in itself
     * @param  float  $complexity  of itself, on a scale of its own; 0 where it is not known
     */
    public function __construct(public FrameRange $frames, public float $share, public float $weight, public float $complexity = 0.0)
    {
    }
}
