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

/** Much of the frame is black bars: an upright picture in a wide frame, a wide one in an upright frame. */
final class MostlyBars implements Check
{
    /** A 4:3 picture in a 16:9 frame fills three quarters. */
    private const MOST_BARS = 0.72;

    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $size = $plan->frameSize;
        $filled = $size->picture->pixels() / max(1, $size->frame->pixels());
        if (! $size->isPadded() || $filled >= self::MOST_BARS || $plan->spec->host?->asks->frame->shape !== null) {
            return null;
        }

        return new Finding(
            'mostly-bars',
            Severity::Caution,
            FrameSizeCell::NAME,
            "The picture of {$size->picture} fills ".
                round(100 * $filled).
                " % of the frame of {$size->frame}; the rest is black bars that the host codes and the viewer sees.",
            Remedy::adding($plan, 'Follow the cut’s shape', FrameSizeCell::NAME, ['follow' => 'displayed']),
        );
    }
}
