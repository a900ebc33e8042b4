<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Audio;

/** The rates that a codec has, and no others. */
final class StatedRates
{
    /**
     * The stated rate nearest to the one asked for, in bits per second.
     *
     * @param  non-empty-list<int>  $kilobits  rising
     */
    public static function nearest(array $kilobits, int $asked): int
    {
        $best = $kilobits[0];
        foreach ($kilobits as $rate) {
            $best = abs($rate * 1000 - $asked) < abs($best * 1000 - $asked) ? $rate : $best;
        }

        return $best * 1000;
    }
}
