<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Bitrate;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Findings\Check;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Checks\Findings\Remedy;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Cells\Bitrate\BitrateCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;

/** The host states the most it takes at any moment, and the peak lies above. */
final class PeakAboveAsk implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $host = $plan->spec->host;
        $most = $host?->asks->bitrate->peak($plan->frameSize->frame);
        $peak = $plan->bitrate->peak;
        if ($host === null || $most === null || $peak === null || ! $peak->isAbove($most)) {
            return null;
        }
        $average = $plan->bitrate->average;

        return new Finding(
            'peak-above-ask',
            Severity::Caution,
            BitrateCell::NAME,
            "{$host->name} takes at most {$most} at any moment; the peak is {$peak}.",
            Remedy::adding(
                $plan,
                "Hold the peak at {$most}",
                BitrateCell::NAME,
                ['mode' => 'vbr', 'peak' => ['kbps' => $most->inKilobits()]] +
                    ($average !== null && $average->isAbove($most) ? ['average' => ['kbps' => $most->inKilobits()]] : []),
            ),
        );
    }
}
