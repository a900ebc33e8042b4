<?php

declare(strict_types=1);

namespace OuterCrate\Measures;

/** A measure of every frame, put together over time. */
final class OverTime
{
    /** Share of the seconds that the worst one is worse than none of: a single odd one shall not speak for all. */
    private const WORST = 0.05;

    /**
     * The mean of a likeness (SSIM) as dB: 10 × log10 of one over what is lost. Exact likeness has no end and is told as 100.
     *
     * @param  float  $ssim  0 to 1
     */
    public static function decibels(float $ssim): float
    {
        return $ssim >= 1 - 1e-10 ? 100.0 : -10 * log10(1 - $ssim);
    }

    /** The likeness that is told as so many dB. */
    public static function ofDecibels(float $decibels): float
    {
        return 1 - 10 ** (-$decibels / 10);
    }

    /**
     * The mean of a piece that was begun with a keyframe, for a stream that has fewer: its keyframe counts for as few as there are, and
     * what follows until the next one there is stood for by the latter half of the piece, where the keyframe has worn off.
     *
     * @param  non-empty-list<float>  $perFrame
     * @param  int  $keyframeEvery  frames from one keyframe of the stream to the next
     */
    public static function ofPiece(array $perFrame, int $keyframeEvery): float
    {
        $count = count($perFrame);
        if ($keyframeEvery <= $count || $count < 4) {
            return array_sum($perFrame) / $count;
        }
        $half = intdiv($count, 2);

        return (array_sum(array_slice($perFrame, 0, $half))
            + ($keyframeEvery - $half) * array_sum(array_slice($perFrame, $half)) / ($count - $half)) / $keyframeEvery;
    }

    /**
     * @param  non-empty-list<float>  $perFrame
     * @param  int  $perSecond  frames in a second, 1 or more
     * @return float the 5th percentile of the means of its seconds; a rest under half a second goes with the second before it
     */
    public static function worstSecond(array $perFrame, int $perSecond): float
    {
        $seconds = array_chunk($perFrame, max(1, $perSecond));
        $last = count($seconds) - 1;
        if ($last > 0 && 2 * count($seconds[$last]) < $perSecond) {
            array_push($seconds[$last - 1], ...array_pop($seconds));
        }

        return self::percentile(array_map(static fn (array $values): float => array_sum($values) / count($values), $seconds), self::WORST);
    }

    /**
     * @param  non-empty-list<float>  $values
     * @param  float  $share  0 to 1
     */
    public static function percentile(array $values, float $share): float
    {
        sort($values);
        $at = $share * (count($values) - 1);
        $below = (int) floor($at);

        return $values[$below] + ($at - $below) * (($values[$below + 1] ?? $values[$below]) - $values[$below]);
    }
}
