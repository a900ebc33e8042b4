<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Bitrate;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Findings\Check;
use OuterCrate\Checks\Findings\Evidence;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Checks\Findings\Remedy;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Cells\Bitrate\BitrateCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;

/** A test showed that the host leaves as much of a much smaller upload. */
final class MoreThanSurvives implements Check
{
    /** Share of the file from which on a smaller one is worth a word. */
    private const SMALLER = 0.75;

    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $evidence = Evidence::of($plan, $subject);
        if ($evidence === null) {
            return null;
        }
        foreach ($evidence->ofTheSameKind() as $other) {
            if ($other->bytes > self::SMALLER * $evidence->own->bytes) {
                break;
            }
            $average = $other->average;
            if ($average === null || $evidence->over($other)->isCertain()) {
                continue;
            }

            return new Finding(
                'more-than-survives',
                Severity::Note,
                BitrateCell::NAME,
                "{$evidence->source()}: {$average} leaves as much as {$plan->bitrate->average}, {$evidence->ofOtherInWords($other)}.",
                Remedy::adding($plan, "Lower the average to {$average}", BitrateCell::NAME, [
                    'average' => ['kbps' => $average->inKilobits()],
                    'peak' => ['timesAverage' => 1.5],
                ]),
            );
        }

        return null;
    }
}
