<?php

declare(strict_types=1);

namespace OuterCrate\Checks\FrameRate;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Check;
use OuterCrate\Checks\Finding;
use OuterCrate\Checks\Remedy;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Cells\FrameRate\FrameRateCell;
use OuterCrate\Planning\Cells\FrameRate\FrameRateMethod;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;

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
