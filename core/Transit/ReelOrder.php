<?php

declare(strict_types=1);

namespace OuterCrate\Transit;

use OuterCrate\Planning\Values\BitrateValue;

/**
 * The order in which pieces lie one after another to be encoded. In a cut, what is busy for long drains a decoder's buffer once, and is
 * left with the peak; between calm pieces each busy one would find the buffer full again. Those of long runs lie together, the busiest
 * first; what is busy for a moment only comes last, after calm ones, with the full buffer that it has in the cut.
 */
final class ReelOrder
{
    /** Seconds from which a run is long: two or three of the buffers that hosts use. */
    private const LONG = 3;

    /**
     * Of a buffer, what the first piece finds full: the most, and the least. Encoders would begin with nine tenths; in the midst of a long
     * run less is left, the less the further what it would take lies above the peak (measured on ten cuts). Of what lies little above it,
     * a first pass tells more (FirstPass).
     */
    public const MOST = 0.45;

    public const LEAST = 0.15;

    /** Of the peak, what is taken up to which the most is left, and how much less it is for each time the peak beyond. */
    private const EASY = 1.35;

    private const DRAINS = 0.26;

    /**
     * @param  list<TestPiece>  $pieces
     * @param  int  $framesPerSecond  whole frames that a second is counted as
     * @return list<TestPiece> those that are alike as they were
     */
    public static function of(array $pieces, int $framesPerSecond): array
    {
        $place = static function (TestPiece $piece) use ($framesPerSecond): array {
            $isLong = $piece->lasts() >= self::LONG * $framesPerSecond;

            return [! $isLong, $isLong ? -$piece->effort : $piece->effort];
        };
        usort($pieces, static fn (TestPiece $a, TestPiece $b): int => $place($a) <=> $place($b));

        return $pieces;
    }

    /**
     * Of a decoder's buffer, what is full where the first piece begins, 0 to 1; null where it begins as any file does.
     *
     * @param  list<TestPiece>  $pieces  as they lie
     * @param  BitrateValue  $rate  that the whole is to have
     */
    public static function left(array $pieces, int $framesPerSecond, BitrateValue $rate): ?float
    {
        $peak = $rate->peak ?? $rate->average;
        if ($peak === null || ($pieces[0]->run ?? 0) < self::LONG * $framesPerSecond) {
            return null;
        }
        // What a quality takes is not known before.
        $taken = HoldRate::timesTheAverage($pieces[0], $pieces) * ($rate->average->bitsPerSecond ?? 0) / $peak->bitsPerSecond;

        return max(self::LEAST, min(self::MOST, self::MOST - self::DRAINS * ($taken - self::EASY)));
    }
}
