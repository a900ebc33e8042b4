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

/** The frame is larger than any that the host takes. */
final class FrameTooLargeForHost implements Check
{
    public function look(Plan $plan, Subject $subject): ?Finding
    {
        $host = $plan->spec->host;
        $most = $host?->asks->mostFrame;
        $frame = $plan->frameSize->frame;
        if ($host === null || $most === null || ($frame->width <= $most->width && $frame->height <= $most->height)) {
            return null;
        }

        return new Finding('frame-too-large-for-host', Severity::Stop, Cell::FrameSize, "{$host->name} takes frames of at most {$most}, not {$frame}.", Remedy::adding($plan, "Pad into {$most}", Cell::FrameSize, ['exact' => (string) $most]));
    }
}
