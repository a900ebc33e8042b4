<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Picture;

/**
 * Coding-independent code points (ITU-T H.273, tables 2 to 4): the number that a stream carries, the engine's name for it, and
 * what people call it.
 */
final class Cicp
{
    private const PRIMARIES = [
        'bt709' => [1, 'BT.709'],
        'bt470m' => [4, 'BT.470 M'],
        'bt470bg' => [5, 'BT.601, 625 lines'],
        'smpte170m' => [6, 'BT.601, 525 lines'],
        'smpte240m' => [7, 'SMPTE 240M'],
        'film' => [8, 'film, illuminant C'],
        'bt2020' => [9, 'BT.2020'],
        'smpte428' => [10, 'SMPTE ST 428-1 (XYZ)'],
        'smpte431' => [11, 'DCI-P3'],
        'smpte432' => [12, 'Display P3'],
        'ebu3213' => [22, 'EBU Tech 3213-E'],
        'jedec-p22' => [22, 'EBU Tech 3213-E'],
    ];

    private const TRANSFER = [
        'bt709' => [1, 'BT.709'],
        'gamma22' => [4, 'gamma 2.2'],
        'bt470m' => [4, 'gamma 2.2'],
        'gamma28' => [5, 'gamma 2.8'],
        'bt470bg' => [5, 'gamma 2.8'],
        'smpte170m' => [6, 'BT.601'],
        'smpte240m' => [7, 'SMPTE 240M'],
        'linear' => [8, 'linear'],
        'log100' => [9, 'logarithmic, 100:1'],
        'log316' => [10, 'logarithmic, 316:1'],
        'iec61966-2-4' => [11, 'xvYCC'],
        'bt1361e' => [12, 'BT.1361 extended'],
        'iec61966-2-1' => [13, 'sRGB'],
        'bt2020-10' => [14, 'BT.2020, 10-bit'],
        'bt2020-12' => [15, 'BT.2020, 12-bit'],
        'smpte2084' => [16, 'PQ'],
        'smpte428' => [17, 'SMPTE ST 428-1'],
        'arib-std-b67' => [18, 'HLG'],
    ];

    private const MATRIX = [
        'gbr' => [0, 'RGB'],
        'bt709' => [1, 'BT.709'],
        'fcc' => [4, 'FCC 73.682'],
        'bt470bg' => [5, 'BT.601, 625 lines'],
        'smpte170m' => [6, 'BT.601, 525 lines'],
        'smpte240m' => [7, 'SMPTE 240M'],
        'ycgco' => [8, 'YCgCo'],
        'bt2020nc' => [9, 'BT.2020, non-constant luminance'],
        'bt2020c' => [10, 'BT.2020, constant luminance'],
        'smpte2085' => [11, 'SMPTE ST 2085'],
        'ictcp' => [14, 'ICtCp'],
    ];

    public static function primaries(?string $name): string
    {
        return self::words(self::PRIMARIES, $name);
    }

    public static function transfer(?string $name): string
    {
        return self::words(self::TRANSFER, $name);
    }

    public static function matrix(?string $name): string
    {
        return self::words(self::MATRIX, $name);
    }

    /** @param  array<string, array{int, string}>  $table */
    private static function words(array $table, ?string $name): string
    {
        return match (true) {
            $name === null => 'not tagged (2)',
            isset($table[$name]) => "{$table[$name][1]} ({$table[$name][0]})",
            default => $name,
        };
    }
}
