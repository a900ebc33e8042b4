<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Passes;

use InvalidArgumentException;

/** Which part of a picture fills a frame of another shape or size. */
final readonly class Framing
{
    /** Beyond it a still is a blur. */
    public const CLOSEST = 3.0;

    /**
     * @param  float  $across  0 the left of what does not fit, 1 the right
     * @param  float  $down  0 the top of what does not fit, 1 the bottom
     * @param  float  $closer  1 as much as fits, 2 half of that in both directions
     *
     * @throws InvalidArgumentException when it is none of these
     */
    public function __construct(public float $across = 0.5, public float $down = 0.5, public float $closer = 1.0)
    {
        if (min($across, $down) < 0 || max($across, $down) > 1 || $closer < 1 || $closer > self::CLOSEST) {
            throw new InvalidArgumentException('A part of a picture lies within it, and is a third of it at least.');
        }
    }
}
