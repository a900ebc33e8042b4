<?php

declare(strict_types=1);

namespace OuterCrate\Reading;

use InvalidArgumentException;
use OuterCrate\Units\Fraction;
use OuterCrate\Units\FrameRate;

/** The frame rate that measured gaps stand for. */
final class SettledRate
{
    /** A camera's clock may be off by this much, and its rate is still the one that it was set to. */
    private const CLOCK = 0.001;

    /** What a header states must lie nearer: 23.976 and 24 are 0.1 % apart. */
    private const STATED = 0.0004;

    /**
     * @param  float  $gap  seconds from one frame to the next, on average
     * @param  float  $rounding  seconds by which that average may be off, as the ticks of the track are coarse
     * @param  list<Fraction>  $stated  rates in the header
     *
     * @throws InvalidArgumentException when it is above 1000 fps
     */
    public static function of(float $gap, float $rounding, array $stated): FrameRate
    {
        $measured = 1 / $gap;
        $apart = static fn (FrameRate $rate): float => abs($rate->perSecond->toFloat() / $measured - 1);
        $rates = [];
        foreach ($stated as $fraction) {
            try {
                $rates[] = self::standardOf(new FrameRate($fraction));
            } catch (InvalidArgumentException) {
                continue; // no rate at all
            }
        }
        foreach ($rates as $rate) {
            // Anything else in a header is an average, or the ticks of a clock.
            $isRate = in_array($rate->perSecond->denominator, [1, 1001], true);
            if ($isRate && $apart($rate) <= self::STATED + $rounding / $gap) {
                return $rate;
            }
        }
        $near = new FrameRate(new Fraction(1_000_000, max(1, (int) round($gap * 1_000_000))));
        $usual = [$near->nearestStandard(), ...self::round(min(1000, max(1, (int) round($measured))))];
        usort($usual, static fn (FrameRate $one, FrameRate $other): int => $apart($one) <=> $apart($other));
        foreach ([...$usual, ...$rates] as $rate) {
            if ($apart($rate) <= self::CLOCK) {
                return $rate;
            }
        }

        return $near;
    }

    /** @return list<FrameRate> so many, and where film and broadcast have it, a thousandth less: half of 29.97 is 14.985, and not 15 */
    private static function round(int $whole): array
    {
        return [
            FrameRate::of($whole),
            ...$whole % 6 === 0 || $whole % 15 === 0 ? [FrameRate::of($whole * 1000, 1001)] : [],
        ];
    }

    /** A container that rounds times to milliseconds states 2997/100 or 19001/634 for 30000/1001. */
    public static function standardOf(FrameRate $rate): FrameRate
    {
        $standard = $rate->nearestStandard();

        return abs($standard->perSecond->toFloat() / $rate->perSecond->toFloat() - 1) < 0.0005 ? $standard : $rate;
    }
}
