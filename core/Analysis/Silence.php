<?php

declare(strict_types=1);

namespace OuterCrate\Analysis;

use OuterCrate\Units\FrameRate;

/** Where the sound falls silent: below −60 dBFS for half a second or longer. */
final class Silence
{
    private const LEVEL = -60.0;

    /** @return list<Span> in frames of the picture; empty for a cut without sound */
    public static function in(Facts $facts, FrameRate $rate): array
    {
        if (! $facts->hasSound()) {
            return [];
        }
        $level = $facts->of(Measure::Level);
        $spans = Span::where(
            $level->count(),
            intdiv(Measure::PEAKS_PER_SECOND, 2),
            static fn (int $i): bool => $level->at($i) - Measure::LIFT < self::LEVEL,
        );
        $perStep = $rate->perSecond->toFloat() / Measure::PEAKS_PER_SECOND;
        $last = max(0, $facts->frames() - 1);

        return array_values(
            array_filter(
                array_map(
                    static fn (Span $span): Span => new Span(
                        (int) ceil($span->firstFrame * $perStep),
                        min($last, (int) floor(($span->lastFrame + 1) * $perStep) - 1),
                    ),
                    $spans,
                ),
                static fn (Span $span): bool => $span->lastFrame >= $span->firstFrame,
            ),
        );
    }
}
