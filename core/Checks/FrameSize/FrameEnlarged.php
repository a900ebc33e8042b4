<?php

declare(strict_types=1);

namespace OuterCrate\Checks\FrameSize;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Check;
use OuterCrate\Checks\Finding;
use OuterCrate\Checks\Remedy;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Cells\FrameSize\FrameSizeCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;

/** The picture is made larger than the cut has it. */
final class FrameEnlarged implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $shown = $subject->reading->mainVideo()?->displaySize($plan->frameSize->window?->size);
        $picture = $plan->frameSize->picture;
        // Square pixels may widen a tape's frame by a fifth without making it taller: nothing is enlarged by that.
        if ($shown === null || $picture->shorterSide() <= $shown->shorterSide() + 1) {
            return null;
        }

        return new Finding(
            'frame-enlarged',
            Severity::Caution,
            FrameSizeCell::NAME,
            "The picture grows from {$shown} to {$picture}. No detail is won; file and making time grow with it.",
            Remedy::adding($plan, "Follow the cut, {$shown->even()}", FrameSizeCell::NAME, ['follow' => 'displayed']),
        );
    }
}
