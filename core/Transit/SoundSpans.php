<?php

declare(strict_types=1);

namespace OuterCrate\Transit;

use OuterCrate\Units\FrameRange;

/**
 * The parts of a sound that are sent through a host: all of a short one; of a long one as many parts, spread evenly, and where it is
 * loudest, since a limiter works there.
 */
final readonly class SoundSpans
{
    public const COUNT = 6;

    /** Seconds of a part. The meter's gate works on blocks of 0.4 s and its range on 3 s (ITU-R BS.1770-4, EBU Tech 3342). */
    public const SECONDS = 15;

    /** A sound that is no longer than so many times its parts is sent whole. */
    private const WORTH = 1.5;

    /**
     * @param  int  $framesPerSecond  whole frames that a second is counted as
     * @param  list<float>  $shortTerm  loudness of the cut once a second, in LUFS; empty where it was not listened to
     * @return non-empty-list<FrameRange> in the order of the cut
     */
    public static function of(FrameRange $range, int $framesPerSecond, array $shortTerm): array
    {
        $length = self::SECONDS * $framesPerSecond;
        if ($range->count() <= self::WORTH * self::COUNT * $length) {
            return [$range];
        }
        $loudest = self::loudest($range, $framesPerSecond, $shortTerm);
        $part = intdiv($range->count(), self::COUNT);
        $spans = [];
        for ($i = 0; $i < self::COUNT; $i++) {
            $from = $range->first + $i * $part;
            $isThere = $loudest !== null && $loudest >= $from && $loudest < $from + $part;
            $middle = $isThere ? $loudest : $from + intdiv($part, 2);
            $first = max($from, min($from + $part - $length, $middle - intdiv($length, 2)));
            $spans[] = new FrameRange($first, $first + $length - 1);
        }

        return $spans;
    }

    /**
     * @param  list<float>  $shortTerm
     * @return int|null frame
     */
    private static function loudest(FrameRange $range, int $framesPerSecond, array $shortTerm): ?int
    {
        $from = intdiv($range->first, $framesPerSecond);
        $within = array_slice($shortTerm, $from, intdiv($range->count(), $framesPerSecond) + 1);

        return $within === [] ? null : ($from + (int) array_search(max($within), $within, true)) * $framesPerSecond;
    }
}
