<?php

declare(strict_types=1);

namespace OuterCrate\Transit;

use InvalidArgumentException;

/** What counts how much for the person, when a candidate is recommended. */
final readonly class Weights
{
    /** dB of likeness that a doubling of size, making time and sending time together has to gain, at the usual weights. */
    public const STEP = 0.25;

    /**
     * The usual weights make a doubling of everything worth one STEP, half of it for the size.
     *
     * @param  float  $quality  0 to 2, as all of them
     *
     * @throws InvalidArgumentException when one is out of its range, or nothing counts
     */
    public function __construct(
        public float $size = 0.5,
        public float $making = 0.25,
        public float $sending = 0.25,
        public float $quality = 1.0,
    ) {
        if (min($size, $making, $sending, $quality) < 0 || max($size, $making, $sending, $quality) > 2) {
            throw new InvalidArgumentException('A weight lies between 0 and 2.');
        }
        if ($size + $making + $sending + $quality <= 0) {
            throw new InvalidArgumentException('Something has to count: raise one of the four weights above 0.');
        }
    }
}
