<?php

declare(strict_types=1);

namespace OuterCrate\Hosts\Tables;

/** What a pasted table says, as the rows of a host file (resources/schema/host.json, asks.bitrates). */
final class HostRows
{
    /** Fields of floor and ceiling by class of frame rates and dynamic range. */
    private const FIELDS = [
        ['kbps', 'toKbps', false, false],
        ['highKbps', 'highToKbps', true, false],
        ['hdrKbps', 'hdrToKbps', false, true],
        ['hdrHighKbps', 'hdrHighToKbps', true, true],
    ];

    /**
     * @param  list<TableFigure>  $figures
     * @return list<array<string, int>> falling by size
     */
    public static function of(array $figures): array
    {
        $rows = [];
        $sides = array_unique(array_map(static fn (TableFigure $figure): int => $figure->shorterSide, $figures));
        rsort($sides);
        foreach ($sides as $side) {
            $of = array_values(array_filter($figures, static fn (TableFigure $figure): bool => $figure->shorterSide === $side));
            $row = ['shorterSide' => $side];
            foreach (self::FIELDS as [$floor, $ceiling, $high, $hdr]) {
                $figure = self::first($of, $high, $hdr);
                $row += $figure === null ? [] : self::range($figure, $floor, $ceiling);
            }
            // A table of high rates or of HDR alone says what is usual, too.
            $row += isset($row['kbps']) ? [] : self::range($of[0], 'kbps', 'toKbps');
            $most = self::first($of, false, false);
            $rows[] = $row + ($most !== null && $most->low === null ? ['peakKbps' => self::kilobits($most->high)] : []);
        }

        return $rows;
    }

    /** @return array<string, int> where only an upper end is said, it is what is asked for, too */
    private static function range(TableFigure $figure, string $floor, string $ceiling): array
    {
        $isOpen = $figure->low !== null && $figure->high !== null && $figure->high > $figure->low;

        return [$floor => self::kilobits($figure->low ?? $figure->high)] + ($isOpen ? [$ceiling => self::kilobits($figure->high)] : []);
    }

    /** @param  list<TableFigure>  $figures */
    private static function first(array $figures, bool $high, bool $hdr): ?TableFigure
    {
        $of = array_filter(
            $figures,
            static fn (TableFigure $figure): bool => ($figure->forHigh ?? false) === $high && ($figure->forHdr ?? false) === $hdr,
        );

        return array_values($of)[0] ?? null;
    }

    private static function kilobits(?int $bits): int
    {
        return max(1, intdiv(($bits ?? 0) + 500, 1000));
    }
}
