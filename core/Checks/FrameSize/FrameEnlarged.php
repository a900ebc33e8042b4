<?php

declare(strict_types=1);

namespace OuterCrate\Checks\FrameSize;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Findings\Check;
use OuterCrate\Checks\Findings\Evidence;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Checks\Findings\Remedy;
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

        $evidence = Evidence::of($plan, $subject);
        $own = $evidence?->bestOfAtMost($shown->shorterSide() + 1);
        $wins = $own !== null && $evidence->over($own)->isCertain() && $evidence->over($own)->decibels > 0;

        return new Finding(
            'frame-enlarged',
            $wins ? Severity::Note : Severity::Caution,
            FrameSizeCell::NAME,
            "The picture grows from {$shown} to {$picture}. ".match (true) {
                $own === null => 'No detail is won; file and making time grow with it.',
                $wins => "{$evidence->source()}: sent so it reaches the {$evidence->own->tier} tier, {$evidence->overInWords($own)}.",
                default => "{$evidence->source()}: that wins nothing, {$evidence->overInWords($own)}.",
            },
            Remedy::adding($plan, "Follow the cut, {$shown->even()}", FrameSizeCell::NAME, ['follow' => 'displayed']),
        );
    }
}
