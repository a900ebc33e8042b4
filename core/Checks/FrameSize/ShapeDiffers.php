<?php

declare(strict_types=1);

namespace OuterCrate\Checks\FrameSize;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Findings\Check;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Checks\Findings\Remedy;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Cells\FrameSize\FrameSizeCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;
use OuterCrate\Units\Fraction;
use OuterCrate\Units\FrameSize;

/** The host shows one shape only, and the frame has another. */
final class ShapeDiffers implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $shape = $plan->spec->host?->asks->frame->shape;
        $frame = $plan->frameSize->frame;
        if ($shape === null || abs($frame->aspect()->toFloat() / $shape->toFloat() - 1) < 0.01) {
            return null;
        }
        $padded = $this->around($frame, $shape);

        return new Finding(
            'shape-differs',
            Severity::Caution,
            FrameSizeCell::NAME,
            "{$plan->spec->host->name} shows {$plan->spec->host->asks->frame->shapeLabel()}; this frame is {$frame}.",
            Remedy::adding($plan, "Pad into {$padded}", FrameSizeCell::NAME, ['exact' => (string) $padded]),
        );
    }

    /** The smallest even frame of the shape that holds the picture, within what the host takes. */
    private function around(FrameSize $frame, Fraction $shape): FrameSize
    {
        $wide = $frame->aspect()->compare($shape) >= 0;
        $width = $wide ? $frame->width : (new Fraction($frame->height))->times($shape)->round();
        $height = $wide ? (new Fraction($frame->width))->over($shape)->round() : $frame->height;

        return new FrameSize($width + $width % 2, $height + $height % 2);
    }
}
