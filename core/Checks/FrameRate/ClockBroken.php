<?php

declare(strict_types=1);

namespace OuterCrate\Checks\FrameRate;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Findings\Check;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Cells\FrameRate\FrameRateCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;
use OuterCrate\Reading\Packets\Clock;

/** Many frames of the cut claim one time, as a recorder writes them whose clock stood still: a player leaves them out. */
final class ClockBroken implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $video = $subject->reading->mainVideo();
        if ($video?->clock !== Clock::Broken) {
            return null;
        }

        return new Finding(
            'clock-broken',
            Severity::Caution,
            FrameRateCell::NAME,
            "{$video->sharedTimes} of the cut’s {$video->frames} frames claim the time of another. All are kept, one after the other at "
                ."{$video->frameRate->label()} fps: watch whether the sound stays with them.",
        );
    }
}
