<?php

declare(strict_types=1);

namespace OuterCrate\Measures;

/**
 * How much of the cut's grain is left: the energy of what changes from one frame to the next where nothing moves, against the cut's.
 * Motion is what also changes when grain is smoothed away. Above 1 where noise was added.
 */
final class GrainKept
{
    /** Codes by which the smoothed picture may change where nothing moves: a step of 8 bits, which hides the grain that is left in it. */
    private const STILL = 4;

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

    /** The same window of two frames in a row, of the reference and of the test. */
    public function add(Plane $first, Plane $second, Plane $testFirst, Plane $testSecond): void
    {
        [$width, $height] = [$first->width, $first->height];
        $change = self::change($first, $second);
        $tested = self::change($testFirst, $testSecond);
        $smooth = Smooth::of($change, $width, $height);
        $testSmooth = Smooth::of($tested, $width, $height);
        // Smoothed at half and at a quarter of the size: what is left there is motion.
        $half = Smooth::of(Smooth::halve($smooth, $width, $height), intdiv($width + 1, 2), intdiv($height + 1, 2));
        $coarse = Smooth::of(
            Smooth::halve($half, intdiv($width + 1, 2), intdiv($height + 1, 2)),
            intdiv($width + 3, 4),
            intdiv($height + 3, 4),
        );
        $stride = intdiv($width + 3, 4);
        $still = self::STILL * Bands::PARTS;
        for ($y = 0; $y < $height; $y++) {
            $row = ($y >> 2) * $stride;
            for ($x = 0; $x < $width; $x++) {
                $moved = $coarse[$row + ($x >> 2)];
                $this->places++;
                if ($moved > $still || $moved < -$still) {
                    continue;
                }
                $i = $y * $width + $x;
                $own = $change[$i] - $smooth[$i];
                $other = $tested[$i] - $testSmooth[$i];
                $this->reference += $own * $own;
                $this->test += $other * $other;
                $this->still++;
            }
        }
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

    /** @return list<int> sixteenths of a code */
    private static function change(Plane $first, Plane $second): array
    {
        $change = [];
        foreach ($second->samples as $i => $sample) {
            $change[] = ($sample - $first->samples[$i]) * Bands::PARTS;
        }

        return $change;
    }
}
