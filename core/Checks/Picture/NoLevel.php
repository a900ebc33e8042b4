<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Picture;

use OuterCrate\Checks\Check;
use OuterCrate\Checks\Finding;
use OuterCrate\Checks\Severity;
use OuterCrate\Checks\Subject;
use OuterCrate\Planning\Cell;
use OuterCrate\Planning\Plan;

/** No level of the codec holds this frame size, frame rate and peak rate together. */
final class NoLevel implements Check
{
    public function look(Plan $plan, Subject $subject): ?Finding
    {
        if ($plan->picture->level !== null || $plan->picture->codec->levels() === []) {
            return null;
        }
        $peak = $plan->rate->peak ?? $plan->rate->average;

        return new Finding(
            'no-level',
            Severity::Stop,
            $peak === null ? Cell::FrameSize : Cell::Rate,
            "No level of {$plan->picture->name()} holds {$plan->frameSize->frame} at {$plan->frameRate->rate->label()} fps".($peak === null ? '' : " with a peak of {$peak}").'.',
            $peak === null ? null : Finding::putBack(Cell::Rate, 'Put the preset’s rate back'),
        );
    }
}
