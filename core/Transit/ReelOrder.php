<?php

declare(strict_types=1);

namespace OuterCrate\Transit;

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
     * Of a buffer, what the first piece finds full. Encoders would begin with nine tenths; in the midst of a long run between a tenth and
     * a half is left.
     */
    private const LEFT = 0.3;

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
     */
    public static function left(array $pieces, int $framesPerSecond): ?float
    {
        return ($pieces[0]->run ?? 0) >= self::LONG * $framesPerSecond ? self::LEFT : null;
    }
}
