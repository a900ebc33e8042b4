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

/** The host names the frame rates it takes, and this is none of them. */
final class FrameRateNotAllowed implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $host = $plan->spec->host;
        $rate = $plan->frameRate->rate;
        if ($host === null || $host->asks->frameRate->allows($rate)) {
            return null;
        }
        $allowed = $host->asks->frameRate->allowed;
        usort(
            $allowed,
            static fn ($a, $b): int => abs($a->perSecond->toFloat() - $rate->perSecond->toFloat()) <=>
                abs($b->perSecond->toFloat() - $rate->perSecond->toFloat()),
        );

        return new Finding(
            'frame-rate-not-allowed',
            Severity::Caution,
            FrameRateCell::NAME,
            "{$host->name} takes ".
                $host->asks->frameRate->allowedLabel().
                " fps, and this is {$rate->label()}. It will drop or repeat frames in its own way.",
            new Remedy("{$allowed[0]->label()} fps, blended", ['frameRate' => ['exact' => (string) $allowed[0], 'by' => 'blend']]),
        );
    }
}
