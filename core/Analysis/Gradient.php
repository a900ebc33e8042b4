<?php

declare(strict_types=1);

namespace OuterCrate\Analysis;

/** How much of a picture is a gentle gradient, where coarse steps of brightness would be seen as bands. */
final class Gradient
{
    public const WIDTH = 160;

    public const HEIGHT = 90;

    /** Across four fields the brightness changes, but by no more than this on a scale to 255 … */
    private const GENTLE = 6;

    /** … and evenly: the middle lies between its neighbours. */
    private const ROUGH = 2;

    /** @param  string  $picture WIDTH × HEIGHT bytes */
    public static function share(string $picture): float
    {
        $fields = unpack('C*', $picture);
        if ($fields === false || count($fields) !== self::WIDTH * self::HEIGHT) {
            return 0.0;
        }
        /** @var array<int, int> $fields counted from 1 */
        $gentle = 0;
        $seen = 0;
        for ($y = 2; $y < self::HEIGHT - 2; $y += 2) {
            $row = $y * self::WIDTH + 1;
            for ($x = 2; $x < self::WIDTH - 2; $x += 2) {
                $i = $row + $x;
                $seen++;
                $across = $fields[$i + 2] - $fields[$i - 2];
                $down = $fields[$i + 2 * self::WIDTH] - $fields[$i - 2 * self::WIDTH];
                $change = ($across < 0 ? -$across : $across) + ($down < 0 ? -$down : $down);
                if ($change < 1 || $change > self::GENTLE) {
                    continue;
                }
                $rough = 4 * $fields[$i] - $fields[$i - 1] - $fields[$i + 1] - $fields[$i - self::WIDTH] - $fields[$i + self::WIDTH];
                if ($rough <= self::ROUGH && $rough >= -self::ROUGH) {
                    $gentle++;
                }
            }
        }

        return $gentle / $seen;
    }
}
