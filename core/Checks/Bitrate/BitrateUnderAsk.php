<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Bitrate;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Check;
use OuterCrate\Checks\Finding;
use OuterCrate\Checks\Remedy;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Cells\Bitrate\BitrateCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;

/** The average lies under what the host asks: its encoder gets less than it was built for. */
final class BitrateUnderAsk implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $asked = $plan->askedAverage();
        $average = $plan->bitrate->average;
        if ($asked === null || $average === null || ! $asked->isAbove($average)) {
            return null;
        }

        return new Finding(
            'bitrate-under-ask',
            Severity::Caution,
            BitrateCell::NAME,
            "The average of {$average} lies under the {$asked} that {$plan->spec->host?->name} asks for {$plan->frameSize->frame} "
                ."at {$plan->frameRate->rate->label()} fps. It recompresses what it gets, so the loss is paid twice.",
            new Remedy("Raise the average to {$asked}", ['bitrate' => ['average' => ['timesAsk' => 1], 'peak' => ['timesAverage' => 1.5]]]),
        );
    }
}
