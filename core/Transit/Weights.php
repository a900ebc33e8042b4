<?php

declare(strict_types=1);

namespace OuterCrate\Transit;

use InvalidArgumentException;
use OuterCrate\Json\Fields;

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

    /** @throws InvalidArgumentException when one is out of its range */
    public static function fromArray(Fields $weights): self
    {
        $usual = new self;

        return new self(
            $weights->float('size') ?? $usual->size,
            $weights->float('making') ?? $usual->making,
            $weights->float('sending') ?? $usual->sending,
            $weights->float('quality') ?? $usual->quality,
        );
    }

    /** @return array{size: float, making: float, sending: float, quality: float} */
    public function toArray(): array
    {
        return ['size' => $this->size, 'making' => $this->making, 'sending' => $this->sending, 'quality' => $this->quality];
    }
}
