<?php

declare(strict_types=1);

namespace OuterCrate\Transit;

use OuterCrate\Measures\OverTime;

/** What became of a candidate on one screen. */
final readonly class Outcome
{
    /**
     * @param  int  $bytes  of the upload of the whole range
     * @param  float  $making  seconds
     * @param  float  $sending  seconds
     * @param  non-empty-list<float>  $ssim  of each piece, 0 to 1
     * @param  non-empty-list<float>  $shares  that each piece stands for; they come to 1
     * @param  float  $sampled  share of the frames that lie in the pieces, 0 to 1
     */
    public function __construct(
        public string $name,
        public int $bytes,
        public float $making,
        public float $sending,
        public array $ssim,
        public array $shares,
        public float $sampled = 0.0,
    ) {
    }

    /** Likeness of the whole, in dB. */
    public function decibels(): float
    {
        return OverTime::decibels(self::mean($this->ssim, $this->shares));
    }

    /**
     * @param  list<float>  $values  of each piece
     * @param  list<float>  $shares  that each stands for; rounded ones need not come to 1
     */
    public static function mean(array $values, array $shares): float
    {
        $sum = array_sum(array_map(static fn (float $value, float $share): float => $value * $share, $values, $shares));

        return $sum / max(1e-9, array_sum($shares));
    }
}
