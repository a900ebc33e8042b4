<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Rate;

use OuterCrate\Checks\Check;
use OuterCrate\Checks\Finding;
use OuterCrate\Checks\Remedy;
use OuterCrate\Checks\Severity;
use OuterCrate\Checks\Subject;
use OuterCrate\Planning\Cell;
use OuterCrate\Planning\Plan;

/** The average lies under what the host asks: its encoder gets less than it was built for. */
final class RateUnderAsk implements Check
{
    public function look(Plan $plan, Subject $subject): ?Finding
    {
        $asked = $plan->askedAverage();
        $average = $plan->rate->average;
        if ($asked === null || $average === null || ! $asked->isAbove($average)) {
            return null;
        }

        return new Finding(
            'rate-under-ask',
            Severity::Caution,
            Cell::Rate,
            "The average of {$average} lies under the {$asked} that {$plan->spec->host?->name} asks for {$plan->frameSize->frame} at {$plan->frameRate->rate->label()} fps. It recompresses what it gets, so the loss is paid twice.",
            new Remedy("Raise the average to {$asked}", ['rate' => ['average' => ['timesAsk' => 1], 'peak' => ['timesAverage' => 1.5]]]),
        );
    }
}
