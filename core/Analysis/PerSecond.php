<?php

declare(strict_types=1);

namespace OuterCrate\Analysis;

/** A measure of every frame, averaged over each second. */
final class PerSecond
{
    /** @return list<float> to two decimals; the last second may be short */
    public static function of(Series $series, int $framesPerSecond): array
    {
        $means = [];
        for ($from = 0; $from < $series->count(); $from += $framesPerSecond) {
            $values = $series->slice($from, $framesPerSecond);
            $means[] = round(array_sum($values) / max(1, count($values)), 2);
        }

        return $means;
    }
}
