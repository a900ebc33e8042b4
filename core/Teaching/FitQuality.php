<?php

declare(strict_types=1);

namespace OuterCrate\Teaching;

use OuterCrate\Formats\Video\QualityScale;
use OuterCrate\Transit\HoldRate;

/** Finds the constant quality at which an encoder comes to a rate. */
final class FitQuality
{
    /** Encodings at most: along the line through the last two, the third or fourth is the one. */
    private const MOST = 6;

    /**
     * The quality to try next; null where the nearest is found.
     *
     * @param  non-empty-list<array{int, float}>  $tried  each a quality, the scale's usual one first, and the bits per second that it
     *     came to
     * @param  float  $wanted  bits per second
     */
    public static function next(QualityScale $scale, array $tried, float $wanted): ?int
    {
        if (count($tried) >= self::MOST) {
            return null;
        }
        [$quality, $came] = $tried[HoldRate::nearest($wanted, $tried)];
        $step = (int) round(self::halves($scale, $tried) * log($came / $wanted, 2));
        $next = max($scale->best, min($scale->worst, $quality + $step));

        return in_array($next, array_column($tried, 0), true) ? null : $next;
    }

    /**
     * The one quality behind several, where they are one but for what rates of files miss by.
     *
     * @param  non-empty-list<int>  $qualities  fitted to each lesson
     */
    public static function common(QualityScale $scale, array $qualities): ?int
    {
        $apart = max($qualities) - min($qualities);
        $isOne = $apart <= max(1, round($scale->halves * log(Lesson::NEAR, 2)));

        return $isOne ? (int) round(array_sum($qualities) / count($qualities)) : null;
    }

    /**
     * Steps of the scale after which the rate is halved: as the last two show, or as plain footage does.
     *
     * @param  non-empty-list<array{int, float}>  $tried
     */
    private static function halves(QualityScale $scale, array $tried): float
    {
        [$last, $before] = [$tried[count($tried) - 1], $tried[count($tried) - 2] ?? null];
        if ($before === null || $last[0] === $before[0]) {
            return $scale->halves;
        }
        $doublings = log($before[1] / $last[1], 2) / ($last[0] - $before[0]);

        return $doublings > 0.02 ? 1 / $doublings : $scale->halves;
    }
}
