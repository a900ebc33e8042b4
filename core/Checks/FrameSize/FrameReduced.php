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
use OuterCrate\Presets\Role;

/** A master or an upload is made smaller than the cut, which often only an old preset wanted. */
final class FrameReduced implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $shown = $subject->reading->mainVideo()?->displaySize($plan->frameSize->window?->size);
        $picture = $plan->frameSize->picture;
        if (
            $shown === null ||
            ! in_array($plan->spec->preset->role, [Role::Master, Role::Upload], true) ||
            $plan->frameSize->isPadded() ||
            $picture->shorterSide() >= $shown->shorterSide() - 1
        ) {
            return null;
        }
        $fits = $plan->spec->host?->asks->frame->refuses($shown) !== true;

        return new Finding(
            'frame-reduced',
            Severity::Note,
            FrameSizeCell::NAME,
            "The picture shrinks from {$shown} to {$picture}; what is left out cannot be had back from this file.",
            $fits ? Remedy::adding($plan, "Follow the cut, {$shown->even()}", FrameSizeCell::NAME, ['follow' => 'displayed']) : null,
        );
    }
}
