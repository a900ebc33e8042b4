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

/** The cut's frames come unevenly, as screen recorders write them. */
final class VariableFrameRate implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        if ($subject->reading->mainVideo()?->variableRate !== true) {
            return null;
        }

        return new Finding(
            'variable-frame-rate',
            Severity::Note,
            FrameRateCell::NAME,
            "The cut’s frames come unevenly. They are laid out at a constant {$plan->frameRate->rate->label()} fps, the nearest "
                .'standard rate to their shortest usual gap.',
        );
    }
}
