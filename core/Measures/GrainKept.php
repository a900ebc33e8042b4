<?php

declare(strict_types=1);

namespace OuterCrate\Measures;

/**
 * How much of the cut's grain is left: the energy of what changes from one frame to the next where nothing moves, against the cut's.
 * Above 1 where noise was added.
 */
final class GrainKept
{
    /** Share of a picture that has to be still for its grain to be told from motion. */
    private const ENOUGH = 0.02;

    /** Energy in codes squared of the difference of two roundings (2 × 1/12), which is no grain. */
    private const ROUNDING = 1 / 6;

    /** Times the energy of rounding from which there is grain at all. */
    private const GRAIN = 4;

    private float $reference = 0.0;

    private float $test = 0.0;

    private int $still = 0;

    private int $places = 0;

    /** A window of the reference, and the same one of two frames in a row of the test. */
    public function add(Grain $reference, Plane $testFirst, Plane $testSecond): void
    {
        $this->reference += $reference->energy;
        $this->test += $reference->energyOf($testFirst, $testSecond);
        $this->still += count($reference->still);
        $this->places += $reference->places;
    }

    /** Null where the cut has no grain, or nothing that stands still. */
    public function kept(): ?float
    {
        if ($this->places === 0 || $this->still < self::ENOUGH * $this->places) {
            return null;
        }
        $energy = fn (float $sum): float => $sum / $this->still / Bands::PARTS ** 2;
        $own = $energy($this->reference);

        return $own < self::GRAIN * self::ROUNDING
            ? null
            : max(0.0, $energy($this->test) - self::ROUNDING) / ($own - self::ROUNDING);
    }
}
