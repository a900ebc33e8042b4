<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Values;

use OuterCrate\Units\Fraction;
use OuterCrate\Units\FrameSize;

/** A picture in a frame of another shape, with even sides. */
final class Fitting
{
    /** The picture at its own shape, as large as the frame allows; a difference of one even step is not worth a black line. */
    public static function inside(Fraction $aspect, FrameSize $frame): FrameSize
    {
        $wide = $aspect->compare($frame->aspect()) >= 0;
        $side = $wide ? (new Fraction($frame->width))->over($aspect) : (new Fraction($frame->height))->times($aspect);
        $even = max(2, 2 * $side->over(2)->round());
        $fitted = $wide
            ? new FrameSize($frame->width, min($even, $frame->height))
            : new FrameSize(min($even, $frame->width), $frame->height);

        return abs($fitted->width - $frame->width) <= 2 && abs($fitted->height - $frame->height) <= 2 ? $frame : $fitted;
    }

    /** The smallest picture of its shape that covers the frame; what stands over is cut off. */
    public static function covering(Fraction $aspect, FrameSize $frame): FrameSize
    {
        return $aspect->compare($frame->aspect()) >= 0
            ? new FrameSize(max($frame->width, 2 * (new Fraction($frame->height))->times($aspect)->over(2)->round()), $frame->height)
            : new FrameSize($frame->width, max($frame->height, 2 * (new Fraction($frame->width))->over($aspect)->over(2)->round()));
    }
}
