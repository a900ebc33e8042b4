<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\FrameSize;

use OuterCrate\Units\Fraction;
use OuterCrate\Units\FrameSize;

/** The sizes that hosts make renditions of, by their shorter side. */
final class UsualSizes
{
    private const SIDES = [240, 360, 480, 720, 1080, 1440, 2160, 4320];

    /** Share of a side by which a usual shape may be missed. */
    private const ROUNDING = 0.003;

    /**
     * The next of them in the picture's own shape; its own size where there is none.
     *
     * @param  int  $step  1 for above, -1 for below, 0 for none
     */
    public static function next(FrameSize $picture, int $step): FrameSize
    {
        $side = $picture->shorterSide();
        $above = array_values(array_filter(self::SIDES, static fn (int $usual): bool => $usual > $side));
        $below = array_values(array_filter(self::SIDES, static fn (int $usual): bool => $usual < $side));
        $next = $step > 0 ? $above[0] ?? null : ($step < 0 ? $below[count($below) - 1] ?? null : null);

        return $next === null ? $picture->even() : self::meant($picture->withShorterSide($next));
    }

    /** 854×480 is 16:9 but for a rounding, which grows with the size: 1280×720 and not 1282×720 is meant. */
    private static function meant(FrameSize $size): FrameSize
    {
        foreach ([new Fraction(16, 9), new Fraction(4, 3)] as $shape) {
            $long = 2 * $shape->times($size->shorterSide())->over(2)->round();
            if (abs($long - max($size->width, $size->height)) <= self::ROUNDING * $long) {
                return $size->isUpright() ? new FrameSize($size->width, $long) : new FrameSize($long, $size->height);
            }
        }

        return $size;
    }
}
