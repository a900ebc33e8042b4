<?php

declare(strict_types=1);

namespace OuterCrate\Teaching;

use OuterCrate\Units\Fraction;
use OuterCrate\Units\FrameRate;

/** How far a host sets its keyframes apart, told by the longest group of a file. */
final class KeyframeDistance
{
    /** Frames by which an encoder ends a group early rather than part a run of B-frames. */
    private const EARLY = 3;

    /**
     * In seconds: the half second that the group falls a few frames short of, or its own length where it falls short of none.
     *
     * @param  int  $frames  from one keyframe to the next, at most
     */
    public static function of(int $frames, FrameRate $rate): Fraction
    {
        $own = $rate->secondsOf($frames);
        $whole = $own->times(2)->floor();
        foreach ([$whole, $whole + 1] as $halves) {
            $half = new Fraction(max(1, $halves), 2);
            $early = $rate->framesIn($half) - $frames;
            if ($early >= 0 && $early <= self::EARLY) {
                return $half;
            }
        }

        return $own;
    }
}
