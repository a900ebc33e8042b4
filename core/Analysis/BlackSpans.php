<?php

declare(strict_types=1);

namespace OuterCrate\Analysis;

use OuterCrate\Units\FrameRate;

/** Where the picture is black: no field of the glance rises visibly above black. */
final class BlackSpans
{
    /** On a scale to 255: a title or a glow lifts at least one field above this, grain on black does not. */
    private const BRIGHTEST = 14;

    private const MEAN = 6.0;

    private const SHORTEST_MS = 200;

    /** @return list<Span> */
    public static function in(Facts $facts, FrameRate $rate): array
    {
        $shortest = max(2, (int) round($rate->perSecond->toFloat() * self::SHORTEST_MS / 1000));

        return Span::where($facts->frames(), $shortest, fn (int $i): bool => self::isBlack($facts, $i));
    }

    public static function isBlack(Facts $facts, int $frame): bool
    {
        return $facts->of(Measure::Brightest)->at($frame) <= self::BRIGHTEST && $facts->of(Measure::Mean)->at($frame) <= self::MEAN;
    }
}
