<?php

declare(strict_types=1);

namespace OuterCrate\Measures;

/**
 * How much of the reference's own detail is still there, octave by octave, told apart from what was added. In each band the test is
 * laid against the reference by least squares: the slope is the share that was kept, and what the slope does not explain (blocks,
 * ringing, noise) was added. Sums over many windows give one figure for all of them.
 */
final class DetailKept
{
    /** Energy of a band, in codes squared, that rounding alone makes (1/12 before smoothing); below twice that there is no detail. */
    private const NOTHING = 1 / 6;

    /** Luma under a fifth of the range is a shadow. */
    private const SHADOW = (Plane::BLACK + 0.2 * (Plane::WHITE - Plane::BLACK)) * Bands::PARTS;

    /** @var array<int, array{float, float, float, int}> by octave: reference × test, reference squared, test squared, places */
    private array $sums = [];

    /** @param  bool  $shadowsOnly  looks only where the reference is dark */
    public function __construct(private readonly bool $shadowsOnly = false)
    {
    }

    /** Two planes of the same window. */
    public function add(Bands $reference, Bands $test): void
    {
        foreach ($reference->bands as $octave => $band) {
            $other = $test->bands[$octave];
            [$cross, $own, $others, $places] = $this->sums[$octave] ?? [0.0, 0.0, 0.0, 0];
            $level = $reference->levels[$octave];
            foreach ($band as $i => $value) {
                if ($this->shadowsOnly && $level[$i] > self::SHADOW) {
                    continue;
                }
                $cross += $value * $other[$i];
                $own += $value * $value;
                $others += $other[$i] * $other[$i];
                $places++;
            }
            $this->sums[$octave] = [$cross, $own, $others, $places];
        }
    }

    /**
     * Share of the reference's detail that is still there, 0 to 1, by octave; null where the reference has none.
     *
     * @return list<float|null>
     */
    public function kept(): array
    {
        return array_map(
            static fn (array $sums): ?float => self::isNothing($sums) ? null : max(0.0, min(1.0, $sums[0] / $sums[1])),
            array_values($this->sums),
        );
    }

    /**
     * Energy that was added, as a share of the reference's own, by octave; null where the reference has none.
     *
     * @return list<float|null>
     */
    public function added(): array
    {
        return array_map(static function (array $sums): ?float {
            if (self::isNothing($sums)) {
                return null;
            }
            $slope = max(0.0, min(1.0, $sums[0] / $sums[1]));

            return max(0.0, $sums[2] - 2 * $slope * $sums[0] + $slope * $slope * $sums[1]) / $sums[1];
        }, array_values($this->sums));
    }

    /** The mean over the octaves in which there is detail; null where there is none. */
    public function overall(): ?float
    {
        $kept = array_filter($this->kept(), static fn (?float $share): bool => $share !== null);

        return $kept === [] ? null : array_sum($kept) / count($kept);
    }

    /** @param  array{float, float, float, int}  $sums */
    private static function isNothing(array $sums): bool
    {
        return $sums[3] === 0 || $sums[1] / $sums[3] / Bands::PARTS ** 2 < self::NOTHING;
    }
}
