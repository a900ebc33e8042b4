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

/** The frame is larger than any that the host takes. */
final class FrameTooLargeForHost implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $host = $plan->spec->host;
        $most = $host?->asks->frame->most;
        $frame = $plan->frameSize->frame;
        if ($host === null || $most === null || ! $host->asks->frame->refuses($frame)) {
            return null;
        }

        return new Finding(
            'frame-too-large-for-host',
            Severity::Stop,
            FrameSizeCell::NAME,
            "{$host->name} takes frames of at most {$most}, not {$frame}.",
            Remedy::adding($plan, "Pad into {$most}", FrameSizeCell::NAME, ['exact' => (string) $most]),
        );
    }
}
