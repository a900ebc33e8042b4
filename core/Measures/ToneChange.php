<?php

declare(strict_types=1);

namespace OuterCrate\Measures;

/** What became of the tones of a picture, in the words of the trade. */
enum ToneChange: string
{
    case None = 'unchanged';
    case Darker = 'darker';
    case Brighter = 'brighter';
    case Lifted = 'blacks lifted';
    case Crushed = 'blacks crushed';
    case Narrowed = 'full range read as narrow';
    case Widened = 'narrow range read as full';

    /** Codes that a median may move by coding alone: a step of 8 bits, in which most uploads and renditions are. */
    private const STEP = 4.0;

    /** Codes of luma under which the end of the curve is its blacks. */
    private const BLACKS = 160;

    /** Slope of a curve that takes the one range for the other: 1023 codes in 876, or the other way round. */
    private const RANGE = 876 / 1023;

    /** How near a slope has to come to that: half way to 1 is no longer taken for it. */
    private const NEAR = 0.07;

    /** @param  list<array{from: float, to: float, share: float}>  $curve  from dark to bright */
    public static function of(array $curve): self
    {
        $steps = array_map(static fn (array $point): float => $point['to'] - $point['from'], $curve);
        if ($curve === [] || $steps === [] || max(array_map(abs(...), $steps)) <= self::STEP) {
            return self::None;
        }
        $slope = self::slope($curve);
        if ($slope !== null && abs($slope - self::RANGE) < self::NEAR && $steps[0] > self::STEP) {
            return self::Narrowed;
        }
        if ($slope !== null && abs($slope - 1 / self::RANGE) < self::NEAR && $steps[0] < -self::STEP) {
            return self::Widened;
        }
        $above = array_values(array_filter($curve, static fn (array $point): bool => $point['from'] >= self::BLACKS));
        $mean = $above === [] ? 0.0 : array_sum(array_map(static fn (array $p): float => $p['to'] - $p['from'], $above)) / count($above);
        if (abs($mean) <= self::STEP && $curve[0]['from'] < self::BLACKS && abs($steps[0]) > self::STEP) {
            return $steps[0] > 0 ? self::Lifted : self::Crushed;
        }

        return array_sum($steps) > 0 ? self::Brighter : self::Darker;
    }

    /** @param  non-empty-list<array{from: float, to: float, share: float}>  $curve */
    private static function slope(array $curve): ?float
    {
        $count = count($curve);
        $from = array_sum(array_column($curve, 'from')) / $count;
        $to = array_sum(array_column($curve, 'to')) / $count;
        $squares = $cross = 0.0;
        foreach ($curve as $point) {
            $squares += ($point['from'] - $from) ** 2;
            $cross += ($point['from'] - $from) * ($point['to'] - $to);
        }

        return $count < 3 || $squares <= 0 ? null : $cross / $squares;
    }
}
