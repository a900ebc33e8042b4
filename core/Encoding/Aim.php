<?php

declare(strict_types=1);

namespace OuterCrate\Encoding;

use OuterCrate\Planning\Cells\Bitrate\CompareBitrate;
use OuterCrate\Planning\Made;
use OuterCrate\Planning\Plan;
use OuterCrate\Units\Bitrate;

/**
 * Whether rate control came to what the plan promises, and where the encoder has to aim so that the next try does. A size that is
 * not to be passed is never passed; two passes land within three hundredths, for which the second is run once more.
 */
final class Aim
{
    /** Share of a size that is aimed at: the middle of what counts as having met it. */
    private const MIDDLE = 1 - CompareBitrate::NEAR / 2;

    /** Tries after which what came out is what there is. */
    private const MOST = 3;

    /**
     * The average to ask the encoder for next; null where the file is as promised, or trying again would not help.
     *
     * @param  Bitrate  $aimed  what it was asked for
     * @param  int  $tries  so far
     */
    public static function next(Plan $plan, Made $made, Bitrate $aimed, int $tries): ?Bitrate
    {
        $rate = $plan->bitrate;
        $seconds = max(0.001, $plan->duration->toFloat());
        $got = 8 * $made->tally->videoBytes / $seconds;
        if ($rate->average === null || $plan->video->hardware !== null || $got < 1 || $tries >= self::MOST) {
            return null;
        }
        $beside = $made->reading->bytes - $made->tally->videoBytes;
        $most = $rate->target === null ? null : 8 * ($rate->target - $beside) / $seconds;
        $wanted = $most === null ? (float) $rate->average->bitsPerSecond : self::MIDDLE * $most;
        $isOver = $most === null ? $rate->passes === 2 && $got > $wanted * (1 + CompareBitrate::NEAR) : $got > $most;
        $isUnder = $rate->passes === 2 && $got < ($most ?? $wanted) * (1 - CompareBitrate::NEAR) && $made->quantisers?->atFinest !== true;
        $next = (int) round($aimed->bitsPerSecond * $wanted / $got);
        $next = $rate->peak === null ? $next : min($next, $rate->peak->bitsPerSecond);
        // Once is enough for what is only not as near as it might be.
        if ((! $isOver && ! $isUnder) || ($tries > 1 && ! ($most !== null && $isOver)) || $next < 1 || $next === $aimed->bitsPerSecond) {
            return null;
        }

        return new Bitrate($next);
    }
}
