<?php

declare(strict_types=1);

namespace OuterCrate\Reading;

use OuterCrate\Json\Fields;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\Fraction;

/**
 * The buffer of a decoder that bits flow into at a steady rate, replayed frame by frame (the leaky bucket of ITU-R/ISO's
 * hypothetical decoder: ISO/IEC 14496-10, annex C.1; ISO/IEC 13818-2, annex C). How full it has to be so that no frame comes too
 * late is how many bits any stretch of the stream holds above rate × time.
 */
final class RateBuffer
{
    /** Bits that the buffer has to hold so that the stream plays without a stop. */
    public int $needed = 0;

    /** Bits owed after the frames so far: taken out, and not flowed in yet. */
    private float $owed = 0.0;

    /**
     * @param  Bitrate  $rate  at which bits flow in
     * @param  Fraction  $frame  seconds from one frame to the next, in the order of decoding
     */
    public function __construct(private readonly Bitrate $rate, private readonly Fraction $frame)
    {
    }

    /**
     * The one that a plan holds its file to.
     *
     * @param  array<mixed>  $plan  the plan (resources/schema/plan.json)
     */
    public static function ofPlan(array $plan): ?self
    {
        $values = (new Fields($plan))->within('values');
        $peak = $values->within('bitrate')->int('peak');
        $rate = Fraction::tryParse($values->within('frameRate')->text('rate') ?? '');

        return $peak === null || $peak < 1 || $rate === null || $rate->compare(0) <= 0
            ? null
            : new self(new Bitrate($peak), (new Fraction(1))->over($rate));
    }

    /** The next frame in the order of decoding, which leaves the buffer at once. */
    public function take(int $bytes): void
    {
        $this->owed = $this->owedNext() + 8 * $bytes;
        $this->needed = max($this->needed, (int) round($this->owed));
    }

    /** Of a buffer of so many bits, what is full when the next frame is taken out, 0 to 1. */
    public function full(int $bits): float
    {
        return max(0.0, 1 - $this->owedNext() / max(1, $bits));
    }

    private function owedNext(): float
    {
        return max(0.0, $this->owed - $this->rate->bitsPerSecond * $this->frame->toFloat());
    }
}
