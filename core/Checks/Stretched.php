<?php

declare(strict_types=1);

namespace OuterCrate\Checks;

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
            "The picture is {$video->displaySize()} and is stretched to {$frame}: what is round is no longer round.",
            new Remedy("Pad it into {$frame} instead", ['frameSize' => ['exact' => (string) $frame]]),
        );
    }
}
