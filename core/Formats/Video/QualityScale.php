<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Video;

/** A codec's own scale of constant quality; smaller is better. */
final readonly class QualityScale
{
    /**
     * @param  int  $usual  what plain footage looks good at
     * @param  float  $bitsPerPixel  that plain footage comes to at the usual value, measured with the engine's encoder
     * @param  float  $halves  steps after which the rate is halved
     */
    public function __construct(public int $best, public int $worst, public int $usual, public float $bitsPerPixel, public float $halves)
    {
    }

    public function holds(int $quality): bool
    {
        return $quality >= $this->best && $quality <= $this->worst;
    }

    /** Bits for each pixel at a value of the scale, for plain footage. */
    public function bitsAt(int $quality): float
    {
        return $this->bitsPerPixel * 2 ** (($this->usual - $quality) / $this->halves);
    }
}
