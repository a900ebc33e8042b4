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
use OuterCrate\Presets\Role;

/** A master or an upload is made smaller than the cut, which often only an old preset wanted. */
final class FrameReduced implements Check
{
    public function look(Plan $plan, Subject $subject): ?Finding
    {
        $shown = $subject->reading->mainVideo()?->displaySize($plan->frameSize->window?->size);
        $picture = $plan->frameSize->picture;
        if ($shown === null || ! in_array($plan->spec->preset->role, [Role::Master, Role::Upload], true) || $plan->frameSize->isPadded() || $picture->shorterSide() >= $shown->shorterSide() - 1) {
            return null;
        }
        $most = $plan->spec->host?->asks->mostFrame;
        $fits = $most === null || ($shown->width <= $most->width && $shown->height <= $most->height);

        return new Finding('frame-reduced', Severity::Note, Cell::FrameSize, "The picture shrinks from {$shown} to {$picture}; what is left out cannot be had back from this file.", $fits ? Remedy::adding($plan, "Follow the cut, {$shown->even()}", Cell::FrameSize, ['follow' => 'displayed']) : null);
    }
}
