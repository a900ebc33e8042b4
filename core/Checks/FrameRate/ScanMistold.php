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

/** The picture has another scan than its file says, so that fields are left as combs, swapped, or made out of whole frames. */
final class ScanMistold implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $true = $subject->found?->scan;
        $taken = $plan->frameRate->source;
        if ($true === null || $true === $taken) {
            return null;
        }
        $harm = match (true) {
            ! $taken->isInterlaced() => 'moving edges would stay combs',
            $true->isInterlaced() => 'motion would step back and forth',
            default => 'half of its lines would be made up',
        };

        return new Finding(
            'scan-mistold',
            Severity::Caution,
            FrameRateCell::NAME,
            "The {$plan->frames} frames are taken for {$taken->label()}, as the file says, and their fields lie as in "
                ."{$true->label()}: {$harm}.",
            Remedy::adding($plan, "Take them for {$true->label()}", FrameRateCell::NAME, ['source' => $true->value]),
        );
    }
}
