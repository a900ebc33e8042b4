<?php

declare(strict_types=1);

namespace OuterCrate\Analysis;

use OuterCrate\Units\FrameRate;

/** Where a picture that is not black stands still for a second or longer. */
final class StillSpans
{
    /** @return list<Span> */
    public static function in(Facts $facts, FrameRate $rate): array
    {
        $shortest = max(2, (int) round($rate->perSecond->toFloat()));
        $spans = [];
        // A frame marked as still equals the reference before it, which begins the span.
        foreach (Span::where($facts->frames(), $shortest - 1, fn (int $i): bool => $facts->of(Measure::Still)->at($i) > 0) as $span) {
            $whole = new Span(max(0, $span->firstFrame - 1), $span->lastFrame);
            if (! BlackSpans::isBlack($facts, $whole->firstFrame)) {
                $spans[] = $whole;
            }
        }

        return $spans;
    }
}
