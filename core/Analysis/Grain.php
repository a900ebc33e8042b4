<?php

declare(strict_types=1);

namespace OuterCrate\Analysis;

/**
 * How grainy a picture is: the noise of its smoothest parts by the mask of Immerkær (Fast Noise Variance Estimation, Computer
 * Vision and Image Understanding 64, 1996), which leaves slopes out of account. Smoothest parts, so that texture does not count.
 */
final class Grain
{
    public const WIDTH = 192;

    public const HEIGHT = 108;

    private const BLOCK = 12;

    /** @param  string  $picture WIDTH × HEIGHT bytes of the picture at its own size */
    public static function of(string $picture): float
    {
        $fields = unpack('C*', $picture);
        if ($fields === false || count($fields) !== self::WIDTH * self::HEIGHT) {
            return 0.0;
        }
        /** @var array<int, int> $fields counted from 1 */
        $blocks = [];
        for ($top = 0; $top + self::BLOCK <= self::HEIGHT; $top += self::BLOCK) {
            for ($left = 0; $left + self::BLOCK <= self::WIDTH; $left += self::BLOCK) {
                $noise = self::block($fields, $top, $left);
                if ($noise !== null) {
                    $blocks[] = $noise;
                }
            }
        }
        if ($blocks === []) {
            return 0.0;
        }
        sort($blocks);

        return $blocks[intdiv(count($blocks), 4)];
    }

    /** @param  array<int, int>  $p */
    private static function block(array $p, int $top, int $left): ?float
    {
        $sum = 0;
        $mean = 0;
        $w = self::WIDTH;
        for ($y = $top + 1; $y < $top + self::BLOCK - 1; $y++) {
            for ($x = $left + 1; $x < $left + self::BLOCK - 1; $x++) {
                $i = $y * $w + $x + 1;
                $mask =
                    $p[$i - $w - 1] +
                    $p[$i - $w + 1] +
                    $p[$i + $w - 1] +
                    $p[$i + $w + 1] +
                    4 * $p[$i] -
                    2 * ($p[$i - $w] + $p[$i + $w] + $p[$i - 1] + $p[$i + 1]);
                $sum += $mask < 0 ? -$mask : $mask;
                $mean += $p[$i];
            }
        }
        $count = (self::BLOCK - 2) ** 2;
        // Noise is cut off in black and in white, and would be underestimated.
        if ($mean / $count < 6 || $mean / $count > 249) {
            return null;
        }

        return (sqrt(M_PI / 2) * $sum) / (6 * $count);
    }
}
