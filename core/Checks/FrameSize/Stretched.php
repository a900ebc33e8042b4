<?php

declare(strict_types=1);

namespace OuterCrate\Checks\FrameSize;

use OuterCrate\Checks\Check;
use OuterCrate\Checks\Finding;
use OuterCrate\Checks\Remedy;
use OuterCrate\Checks\Severity;
use OuterCrate\Checks\Subject;
use OuterCrate\Planning\Cell;
use OuterCrate\Planning\Plan;

/** The picture is pulled into another shape. */
final class Stretched implements Check
{
    public function look(Plan $plan, Subject $subject): ?Finding
    {
        $video = $subject->reading->mainVideo();
        if (! $plan->frameSize->stretched || $video === null) {
            return null;
        }
        $frame = $plan->frameSize->frame;

        return new Finding(
            'stretched',
            Severity::Caution,
            Cell::FrameSize,
            "The picture is {$video->displaySize($plan->frameSize->window?->size)} and is stretched to {$frame}: what is round is no longer round.",
            Remedy::adding($plan, "Pad it into {$frame} instead", Cell::FrameSize, ['exact' => (string) $frame]),
        );
    }
}
