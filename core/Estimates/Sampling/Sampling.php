<?php

declare(strict_types=1);

namespace OuterCrate\Estimates\Sampling;

use OuterCrate\Formats\RateMode;
use OuterCrate\Planning\Plan;

/** Which plans are sampled, and what their pieces say of the whole. */
final class Sampling
{
    /** Seconds to start the engine, which come once for each piece and would be taken for making. */
    private const START = 0.12;

    /** The size of such a file depends on what is in the picture: a calm one does not use up its average either. */
    public static function isWorthwhile(Plan $plan): bool
    {
        if (! $plan->hasPicture()) {
            return false;
        }

        return match ($plan->rate->mode) {
            RateMode::Cbr => false,
            default => true,
        };
    }

    /**
     * @param  non-empty-list<Piece>  $pieces
     * @param  non-empty-list<PieceResult>  $results  in the same order
     */
    public static function conclude(Plan $plan, array $pieces, array $results): Sample
    {
        $mean = 0.0;
        $each = [];
        $complexities = [];
        foreach ($pieces as $i => $piece) {
            $bytes = $results[$i]->bytesPerFrame($plan->keyframes->frames) * $piece->weight;
            $each[] = $bytes;
            $mean += $piece->share * $bytes;
            $complexities[] = $piece->complexity;
        }
        $frames = array_sum(array_map(static fn (PieceResult $result): int => $result->frames, $results));
        $seconds = array_sum(array_map(static fn (PieceResult $result): float => max(0.01, $result->seconds - self::START), $results));

        return new Sample($mean, count($pieces) === 1 ? 2 : min(self::margin($each, $mean), self::margin(self::unexplained($each, $complexities, $mean), $mean)), $seconds / max(1, $frames), $frames, self::sound($results));
    }

    /** @param  non-empty-list<PieceResult>  $results */
    private static function sound(array $results): ?float
    {
        $bytes = array_sum(array_map(static fn (PieceResult $result): int => $result->soundBytes, $results));
        $length = array_sum(array_map(static fn (PieceResult $result): float => $result->length, $results));

        return $bytes === 0 || $length <= 0 ? null : $bytes / $length;
    }

    /**
     * What is left of the differences between pieces once those are taken out that their detail and motion foretold.
     *
     * @param  non-empty-list<float>  $each
     * @param  list<float>  $complexities
     * @return non-empty-list<float>
     */
    private static function unexplained(array $each, array $complexities, float $mean): array
    {
        $scale = array_sum($complexities) <= 0 ? 0.0 : array_sum($each) / array_sum($complexities);
        if ($scale <= 0) {
            return $each;
        }

        return array_map(static fn (float $bytes, float $complexity): float => $mean + $bytes - $scale * $complexity, $each, $complexities);
    }

    /**
     * About two standard errors of the mean: nineteen times in twenty the whole lies within.
     *
     * @param  non-empty-list<float>  $each
     */
    private static function margin(array $each, float $mean): int
    {
        $count = count($each);
        $squares = array_sum(array_map(static fn (float $bytes): float => ($bytes - $mean) ** 2, $each));
        $error = sqrt($squares / max(1, $count - 1) / $count);

        return (int) max(3, min(60, ceil(200 * $error / max(1.0, $mean))));
    }
}
