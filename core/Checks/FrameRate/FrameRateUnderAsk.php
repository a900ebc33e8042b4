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

/** The host keeps its HD sizes from rates this low. Where it names its rates, another check speaks of them. */
final class FrameRateUnderAsk implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $asks = $plan->spec->host?->asks;
        if ($asks === null) {
            return null;
        }
        $rate = $plan->frameRate->rate;
        if (! $asks->frameRate->isUnderMinimum($rate, $plan->frameSize->frame->shorterSide()) || ! $asks->frameRate->allows($rate)) {
            return null;
        }

        return new Finding(
            'frame-rate-under-ask',
            Severity::Caution,
            FrameRateCell::NAME,
            "{$plan->spec->host->name} asks at least {$asks->frameRate->minimum?->label()} fps for {$plan->frameSize->frame}; this output "
                ."has {$rate->label()}.",
            new Remedy('Lift the frame rate by whole multiples', ['frameRate' => 'follow']),
        );
    }
}
