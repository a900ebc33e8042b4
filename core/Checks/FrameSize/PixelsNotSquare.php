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
use OuterCrate\Units\Fraction;

/** An upload keeps pixels that are not square, which hosts and browsers often show as if they were. */
final class PixelsNotSquare implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $aspect = $plan->frameSize->sampleAspect;
        if ($plan->spec->preset->role !== Role::Upload || $aspect->equals(new Fraction(1))) {
            return null;
        }
        $shown = $subject->reading->mainVideo()?->displaySize($plan->frameSize->window?->size)->even();

        return new Finding(
            'pixels-not-square',
            Severity::Caution,
            FrameSizeCell::NAME,
            "Pixels are {$aspect->numerator}:{$aspect->denominator}; a host that takes them for square shows "
                ."{$plan->frameSize->frame} out of shape.",
            Remedy::adding($plan, "Square pixels, {$shown}", FrameSizeCell::NAME, ['follow' => 'displayed']),
        );
    }
}
