<?php

declare(strict_types=1);

namespace OuterCrate\Encoding;

use OuterCrate\Planning\Values\BitrateValue;

/**
 * How a second pass would share an average out over a whole file, of which each part went through the first pass by itself: one step of
 * the quantiser for all, but for what a peak holds back. Each part is then given the average that falls to it.
 */
final class RateCurve
{
    /** Of a decoder's buffer, how much emptier than foreseen it may be where a part begins. */
    private const DOUBT = 0.2;

    /** Of the buffer, what a part is left at least: its first frame is a keyframe. */
    private const LEAST = 0.1;

    /**
     * @param  non-empty-list<non-empty-list<Spending>>  $parts  in order, second by second
     * @param  BitrateValue  $rate  in two passes
     * @param  float  $perSecond  frames
     * @return list<PartRate> of each
     */
    public static function of(array $parts, BitrateValue $rate, float $perSecond): array
    {
        $frames = array_map(
            static fn (array $part): int => array_sum(array_map(static fn (Spending $second): int => $second->frames, $part)),
            $parts,
        );
        $wanted = (float) $rate->average?->bitsPerSecond * array_sum($frames) / $perSecond;
        $step = Statistics::step(
            $wanted,
            static fn (float $step): float => array_sum(array_column(self::at($parts, $step, $rate, $perSecond), 0)),
        );
        $planned = self::at($parts, $step, $rate, $perSecond);
        // A picture that cannot use all of it is asked to nevertheless, as a whole would be.
        $all = $wanted / max(1.0, array_sum(array_column($planned, 0)));
        $most = $rate->peak === null ? INF : (float) $rate->peak->bitsPerSecond;

        return array_map(static fn (array $part, int $count, int $i): PartRate => new PartRate(
            (int) round(max(1.0, min($most, $all * $part[0] * $perSecond / $count))),
            $i === 0 || $rate->peak === null ? null : max(self::LEAST, min(BufferLevel::AT_FIRST, $part[1] - self::DOUBT)),
        ), $planned, $frames, array_keys($planned));
    }

    /**
     * @param  non-empty-list<non-empty-list<Spending>>  $parts
     * @return list<array{float, float}> bits of each part at a step, and the share of the buffer that is full where it begins
     */
    private static function at(array $parts, float $step, BitrateValue $rate, float $perSecond): array
    {
        $peak = $rate->peak?->bitsPerSecond;
        $level = $peak === null ? null : new BufferLevel($peak / $perSecond, $rate->buffer ?? $peak, BufferLevel::AT_FIRST);
        $planned = [];
        foreach ($parts as $part) {
            [$bits, $share] = [0.0, $level?->share() ?? 1.0];
            foreach ($part as $second) {
                $free = $second->at($step);
                $bits += $free * ($level?->through($second->frames, $free) ?? 1.0);
            }
            $planned[] = [$bits, $share];
        }

        return $planned;
    }
}
