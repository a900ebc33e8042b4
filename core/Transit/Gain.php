<?php

declare(strict_types=1);

namespace OuterCrate\Transit;

use OuterCrate\Measures\OverTime;

/** By how much one candidate leaves more than another, and how sure that is. */
final readonly class Gain
{
    /** Student's t for 95 % on both sides, by degrees of freedom from 1 (ISO 2602, table 2). */
    private const T = [
        12.71, 4.30, 3.18, 2.78, 2.57, 2.45, 2.36, 2.31, 2.26, 2.23, 2.20, 2.18, 2.16, 2.14, 2.13, 2.12, 2.11, 2.10, 2.09, 2.09,
    ];

    /** Beyond those, and without end. */
    private const T_MANY = 2.0;

    /** dB under which no difference is told, however alike the pieces are: rates are held to 3 %, which moves the likeness by so much. */
    public const LEAST = 0.05;

    /**
     * @param  float  $decibels  above 0 where the first leaves more
     * @param  float  $margin  dB: nineteen times in twenty the difference over the whole lies no further off
     */
    private function __construct(public float $decibels, public float $margin)
    {
    }

    /** Of the same pieces: what they have in common falls out of the difference. */
    public static function of(Outcome $one, Outcome $other): self
    {
        $differences = array_map(
            static fn (float $a, float $b): float => OverTime::decibels($a) - OverTime::decibels($b),
            $one->ssim,
            $other->ssim,
        );
        $mean = $one->decibels() - $other->decibels();
        $count = count($differences);
        // What was not looked at is all that can be otherwise (the correction for a finite population).
        $unseen = sqrt(max(0.0, 1 - min($one->sampled, $other->sampled)));
        if ($count < 2) {
            return new self($mean, max(self::LEAST, abs($mean) * ceil($unseen)));
        }
        $centre = array_sum(array_map(static fn (float $d, float $share): float => $d * $share, $differences, $one->shares));
        $square = static fn (float $d, float $share): float => $share * ($d - $centre) ** 2;
        $squares = array_sum(array_map($square, $differences, $one->shares));
        $spent = array_sum(array_map(static fn (float $share): float => $share * $share, $one->shares));
        // The standard error of a weighted mean: as many pieces count as the shares leave.
        $error = sqrt($squares * $spent / max(1e-9, 1 - $spent));

        return new self($mean, max(self::LEAST, (self::T[$count - 2] ?? self::T_MANY) * $error * $unseen));
    }

    public function isCertain(): bool
    {
        return abs($this->decibels) > $this->margin;
    }
}
