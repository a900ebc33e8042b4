<?php

declare(strict_types=1);

namespace OuterCrate\Analysis;

/**
 * Tells from two frames in a row how their fields lie. Looks only where something moves, and asks which fields are closest in
 * time: those of one frame when it is progressive; when it is interlaced, each field is as near to its neighbour in the other
 * frame as to the one that it is woven with.
 */
final class FieldSample
{
    public const UNKNOWN = 0;

    public const PROGRESSIVE = 1;

    public const TOP_FIRST = 2;

    public const BOTTOM_FIRST = 3;

    /** Columns of the strip, each the mean of several pixels, so that grain is not taken for motion. */
    public const COLUMNS = 40;

    /** Lines of the strip at most. */
    public const MOST_LINES = 1088;

    /** On a scale to 255: less is grain. */
    private const MOVES = 5;

    /** Share of the strip that must move for anything to be told. */
    private const ENOUGH = 0.0015;

    /** Fields of one frame that differ by less than this share of what frames differ by were scanned together. */
    private const TOGETHER = 0.6;

    /** Above this share they were not. */
    private const APART = 0.75;

    /** The nearer neighbour differs by less than this share of the farther one. */
    private const NEARER = 0.85;

    /**
     * @param  string  $current  COLUMNS × lines bytes, from an even line on
     * @param  string  $next  the frame after it
     */
    public static function tell(string $current, string $next): int
    {
        $w = self::COLUMNS;
        $lines = intdiv(strlen($current), $w);
        if ($lines < 8 || strlen($next) !== strlen($current)) {
            return self::UNKNOWN;
        }
        /** @var array<int, int> $a counted from 1 */
        $a = unpack('C*', $current);
        /** @var array<int, int> $b */
        $b = unpack('C*', $next);
        $woven = 0;
        $topLater = 0;
        $bottomLater = 0;
        $moving = 0;
        for ($y = 1; $y < $lines - 1; $y += 2) {
            $row = $y * $w;
            for ($i = $row + 1; $i <= $row + $w; $i++) {
                $bottom = $a[$i];
                $bottomNext = $b[$i];
                $top = ($a[$i - $w] + $a[$i + $w]) >> 1;
                $topNext = ($b[$i - $w] + $b[$i + $w]) >> 1;
                $change = $topNext - $top;
                $changeBelow = $bottomNext - $bottom;
                if ($change > -self::MOVES && $change < self::MOVES && $changeBelow > -self::MOVES && $changeBelow < self::MOVES) {
                    continue;
                }
                $moving++;
                $woven += abs($bottom - $top);
                $topLater += abs($topNext - $bottom);
                $bottomLater += abs($bottomNext - $top);
            }
        }
        if ($moving < self::ENOUGH * $lines / 2 * $w) {
            return self::UNKNOWN;
        }

        $nearest = min($topLater, $bottomLater);

        return match (true) {
            $woven < self::TOGETHER * $nearest => self::PROGRESSIVE,
            $woven < self::APART * $nearest => self::UNKNOWN,
            $topLater < self::NEARER * $bottomLater => self::TOP_FIRST,
            $bottomLater < self::NEARER * $topLater => self::BOTTOM_FIRST,
            default => self::UNKNOWN,
        };
    }
}
