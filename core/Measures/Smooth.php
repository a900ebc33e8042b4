<?php

declare(strict_types=1);

namespace OuterCrate\Measures;

/**
 * Smoothing by the mask 1 4 6 4 1 in both directions, and halving (Burt and Adelson, The Laplacian Pyramid as a Compact Image Code,
 * IEEE Transactions on Communications 31, 1983). Values are whole numbers of any scale; beyond the edge the last one is repeated.
 */
final class Smooth
{
    /**
     * @param  list<int>  $values
     * @return list<int>
     */
    public static function of(array $values, int $width, int $height): array
    {
        $across = [];
        for ($y = 0; $y < $height; $y++) {
            $row = array_slice($values, $y * $width, $width);
            $last = $row[$width - 1];
            $a = $b = $c = $row[0];
            $d = $row[1] ?? $c;
            for ($x = 0; $x < $width; $x++) {
                $e = $row[$x + 2] ?? $last;
                $across[] = $a + $e + 4 * ($b + $d) + 6 * $c;
                $a = $b;
                $b = $c;
                $c = $d;
                $d = $e;
            }
        }
        $smooth = [];
        $rows = array_chunk($across, max(1, $width));
        foreach ($rows as $y => $row) {
            $a = $rows[$y - 2] ?? $rows[0];
            $b = $rows[$y - 1] ?? $rows[0];
            $d = $rows[$y + 1] ?? $rows[$height - 1];
            $e = $rows[$y + 2] ?? $rows[$height - 1];
            foreach ($row as $x => $c) {
                $smooth[] = $a[$x] + $e[$x] + 4 * ($b[$x] + $d[$x]) + 6 * $c + 128 >> 8;
            }
        }

        return $smooth;
    }

    /**
     * Every other value of every other row.
     *
     * @param  list<int>  $values
     * @return list<int>
     */
    public static function halve(array $values, int $width, int $height): array
    {
        $half = [];
        for ($y = 0; $y < $height; $y += 2) {
            for ($x = 0; $x < $width; $x += 2) {
                $half[] = $values[$y * $width + $x];
            }
        }

        return $half;
    }
}
