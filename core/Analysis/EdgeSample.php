<?php

declare(strict_types=1);

namespace OuterCrate\Analysis;

/** Means of the rows (or columns) of one frame, in order, as bytes; tells how many at each end are a black bar. */
final class EdgeSample
{
    /** A bar is no brighter than this on a scale to 255 … */
    private const BLACK = 7;

    /** … and ends in a step at least this high: a dark corner of a night scene rises gently. */
    private const STEP = 5;

    /** @return array{int, int}|null at the beginning and at the end; null when all of it is black */
    public static function bars(string $means): ?array
    {
        $first = self::blackFrom($means);
        if ($first === strlen($means)) {
            return null;
        }
        $reversed = strrev($means);

        return [self::step($means, $first), self::step($reversed, self::blackFrom($reversed))];
    }

    private static function blackFrom(string $means): int
    {
        return strspn($means, implode('', array_map(chr(...), range(0, self::BLACK))));
    }

    /** The picture may begin softly: its step may take two lines. */
    private static function step(string $means, int $black): int
    {
        if ($black === 0) {
            return 0;
        }
        $inside = ord($means[min(strlen($means) - 1, $black + 1)]);

        return $inside - ord($means[$black - 1]) >= self::STEP ? $black : 0;
    }
}
