<?php

declare(strict_types=1);

namespace OuterCrate\Pieces;

use OuterCrate\Units\FrameRange;

/** Divides a range of a cut into pieces. */
final class Pieces
{
    /** As many as anyone looks through. */
    public const MOST = 500;

    /**
     * All of the range, each frame in one piece: a new one begins at each of these frames.
     *
     * @param  array<int, string>  $points  names by frame number; those outside of the range begin nothing
     * @return non-empty-list<Piece>
     *
     * @throws NoPieces
     */
    public static function at(FrameRange $range, array $points): array
    {
        ksort($points);
        $begins = [$range->first => ''];
        foreach ($points as $frame => $name) {
            if ($frame <= $range->first) {
                $begins[$range->first] = $name;
            } elseif ($frame <= $range->last) {
                $begins[$frame] = $name;
            }
        }
        $frames = array_keys($begins);
        $spans = [];
        foreach ($frames as $i => $first) {
            $spans[] = [new FrameRange($first, ($frames[$i + 1] ?? $range->last + 1) - 1), $begins[$first]];
        }

        return self::numbered($spans);
    }

    /**
     * These spans, in the order of the cut, as far as they lie in the range: what lies in none is left out.
     *
     * @param  list<array{FrameRange, string}>  $spans  with names
     * @return non-empty-list<Piece>
     *
     * @throws NoPieces
     */
    public static function spans(FrameRange $range, array $spans): array
    {
        usort($spans, static fn (array $a, array $b): int => $a[0]->first <=> $b[0]->first);
        $within = [];
        foreach ($spans as [$span, $name]) {
            if ($span->first > $range->last || $span->last < $range->first) {
                continue;
            }
            $span = new FrameRange(max($span->first, $range->first), min($span->last, $range->last));
            $before = $within === [] ? null : $within[count($within) - 1][0];
            if ($before !== null && $span->first <= $before->last) {
                throw NoPieces::overlap($before, $span);
            }
            $within[] = [$span, $name];
        }

        return $within === [] ? throw NoPieces::outside() : self::numbered($within);
    }

    /**
     * @param  non-empty-list<array{FrameRange, string}>  $spans
     * @return non-empty-list<Piece>
     */
    private static function numbered(array $spans): array
    {
        count($spans) <= self::MOST ?: throw NoPieces::tooMany(count($spans), self::MOST);
        $digits = max(2, strlen((string) count($spans)));

        return array_map(
            static fn (int $i, array $span): Piece => new Piece($span[0], sprintf("%0{$digits}d", $i + 1), $span[1]),
            array_keys($spans),
            $spans,
        );
    }
}
