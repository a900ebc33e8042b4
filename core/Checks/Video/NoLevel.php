<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Video;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Findings\Check;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Cells\Bitrate\BitrateCell;
use OuterCrate\Planning\Cells\FrameSize\FrameSizeCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;

/** No level of the codec holds this frame size, frame rate and peak rate together. */
final class NoLevel implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        if ($plan->video->level !== null || $plan->video->codec->levels() === []) {
            return null;
        }
        $peak = $plan->bitrate->peak ?? $plan->bitrate->average;

        return new Finding(
            'no-level',
            Severity::Stop,
            $peak === null ? FrameSizeCell::NAME : BitrateCell::NAME,
            "No level of {$plan->video->name()} holds {$plan->frameSize->frame} at {$plan->frameRate->rate->label()} fps".
                ($peak === null ? '' : " with a peak of {$peak}").
                '.',
            $peak === null ? null : Finding::putBack(BitrateCell::NAME, 'Put the preset’s bitrate back'),
        );
    }
}
