<?php

declare(strict_types=1);

namespace OuterCrate\Checks\FrameRate;

use OuterCrate\Checks\Check;
use OuterCrate\Checks\Finding;
use OuterCrate\Checks\Remedy;
use OuterCrate\Checks\Severity;
use OuterCrate\Checks\Subject;
use OuterCrate\Planning\Cell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Values\RateMethod;

/** Frames drawn along the motion take many times as long. */
final class MotionSlow implements Check
{
    public function look(Plan $plan, Subject $subject): ?Finding
    {
        if (! $plan->frameRate->convert || $plan->frameRate->by !== RateMethod::Motion) {
            return null;
        }

        return new Finding('motion-slow', Severity::Note, Cell::FrameRate, "{$plan->frames} frames are drawn along the motion, which takes 20 to 50 times as long as repeating them and can smear where things cross.", Remedy::adding($plan, 'Blend them', Cell::FrameRate, ['by' => 'blend']));
    }
}
