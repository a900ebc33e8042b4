<?php

declare(strict_types=1);

namespace OuterCrate\Hosts\Tables;

/** What a pasted table says, as the rows of a host file (resources/schema/host.json, asks.bitrates). */
final class HostRows
{
    /**
     * @param  list<TableFigure>  $figures  those of HDR are left out where there are others: a host file has a factor for it
     * @return list<array{shorterSide: int, kbps: int, highKbps: int, peakKbps?: int}> falling by size
     */
    public static function of(array $figures): array
    {
        $rows = [];
        $sides = array_unique(array_map(static fn (TableFigure $figure): int => $figure->shorterSide, $figures));
        rsort($sides);
        foreach ($sides as $side) {
            $of = array_values(array_filter($figures, static fn (TableFigure $figure): bool => $figure->shorterSide === $side));
            $usual = self::first($of, false) ?? $of[0];
            $high = self::first($of, true) ?? $usual;
            $isRange = $high->high !== null && $high->high !== $high->low;
            // Where only an upper end is said, it is what is asked for, too.
            $rows[] = [
                'shorterSide' => $side,
                'kbps' => self::kilobits($usual->low ?? $usual->high),
                'highKbps' => self::kilobits($high->low ?? $high->high),
            ] + ($isRange ? ['peakKbps' => self::kilobits($high->high)] : []);
        }

        return $rows;
    }

    /**
     * The first of a class of frame rates, sooner one of SDR.
     *
     * @param  list<TableFigure>  $figures
     */
    private static function first(array $figures, bool $high): ?TableFigure
    {
        $of = array_values(array_filter($figures, static fn (TableFigure $figure): bool => ($figure->forHigh ?? false) === $high));

        return array_values(array_filter($of, static fn (TableFigure $figure): bool => $figure->forHdr !== true))[0] ?? $of[0] ?? null;
    }

    private static function kilobits(?int $bits): int
    {
        return intdiv(($bits ?? 0) + 500, 1000);
    }
}
