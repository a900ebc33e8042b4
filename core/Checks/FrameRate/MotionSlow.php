<?php

declare(strict_types=1);

namespace OuterCrate\Checks\FrameRate;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Findings\Check;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Checks\Findings\Remedy;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Cells\FrameRate\FrameRateCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;
use OuterCrate\Planning\Values\FrameRateMethod;

/** Frames drawn along the motion take many times as long. */
final class MotionSlow implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        if (! $plan->frameRate->convert || $plan->frameRate->by !== FrameRateMethod::Motion) {
            return null;
        }

        return new Finding(
            'motion-slow',
            Severity::Note,
            FrameRateCell::NAME,
            "{$plan->frames} frames are drawn along the motion, which takes 20 to 50 times as long as repeating them and can smear "
                .'where things cross.',
            Remedy::adding($plan, 'Blend them', FrameRateCell::NAME, ['by' => 'blend']),
        );
    }
}
