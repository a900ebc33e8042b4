<?php

declare(strict_types=1);

namespace OuterCrate\Checks\FrameRate;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Check;
use OuterCrate\Checks\Finding;
use OuterCrate\Checks\Remedy;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Cells\FrameRate\FrameRateCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;

/** The host keeps its HD sizes from rates this low, or takes other rates only. */
final class FrameRateUnderAsk implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $asks = $plan->spec->host?->asks;
        if ($asks === null) {
            return null;
        }
        $rate = $plan->frameRate->rate;
        $tooLow = $asks->frameRate->isUnderMinimum($rate, $plan->frameSize->frame->shorterSide());
        $notTaken = ! $asks->frameRate->allows($rate);
        if (! $tooLow && ! $notTaken) {
            return null;
        }
        $wanted = $tooLow ? "at least {$asks->frameRate->minimum?->label()}" : $asks->frameRate->allowedLabel();
        $nearest = $notTaken ? $asks->frameRate->allowed[0] : null;

        return new Finding(
            'frame-rate-under-ask',
            Severity::Caution,
            FrameRateCell::NAME,
            "{$plan->spec->host->name} asks {$wanted} fps for {$plan->frameSize->frame}; this output has {$rate->label()}.",
            $nearest === null
                ? new Remedy('Lift the frame rate by whole multiples', ['frameRate' => 'follow'])
                : new Remedy("Convert to {$nearest->label()} fps", ['frameRate' => ['exact' => (string) $nearest]]),
        );
    }
}
