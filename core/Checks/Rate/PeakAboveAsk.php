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

/** The host states the most it takes at any moment, and the peak lies above. */
final class PeakAboveAsk implements Check
{
    public function look(Plan $plan, Subject $subject): ?Finding
    {
        $host = $plan->spec->host;
        $most = $host?->asks->row($plan->frameSize->frame)?->peak;
        $peak = $plan->rate->peak;
        if ($host === null || $most === null || $peak === null || ! $peak->isAbove($most)) {
            return null;
        }
        $average = $plan->rate->average;

        return new Finding('peak-above-ask', Severity::Caution, Cell::Rate, "{$host->name} takes at most {$most} at any moment; the peak is {$peak}.", Remedy::adding($plan, "Hold the peak at {$most}", Cell::Rate, ['mode' => 'vbr', 'peak' => ['kbps' => $most->inKilobits()]] + ($average !== null && $average->isAbove($most) ? ['average' => ['kbps' => $most->inKilobits()]] : [])));
    }
}
