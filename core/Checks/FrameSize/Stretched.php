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

/** The picture is pulled into another shape. */
final class Stretched implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $video = $subject->reading->mainVideo();
        if (! $plan->frameSize->stretched || $video === null) {
            return null;
        }
        $frame = $plan->frameSize->frame;

        return new Finding(
            'stretched',
            Severity::Caution,
            FrameSizeCell::NAME,
            "The picture is {$video->displaySize(
                $plan->frameSize->window?->size,
            )} and is stretched to {$frame}: what is round is no longer round.",
            Remedy::adding($plan, "Pad it into {$frame} instead", FrameSizeCell::NAME, ['exact' => (string) $frame]),
        );
    }
}
