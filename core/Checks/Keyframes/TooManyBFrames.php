<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Keyframes;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Findings\Check;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Checks\Findings\Remedy;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Cells\Keyframes\KeyframesCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;

/** More B-frames in a row than the host asks. */
final class TooManyBFrames implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $host = $plan->spec->host;
        $most = $host?->asks->keyframes->mostBFrames;
        if ($host === null || $most === null || $plan->keyframes->bFrames <= $most) {
            return null;
        }

        return new Finding(
            'too-many-b-frames',
            Severity::Caution,
            KeyframesCell::NAME,
            "{$host->name} asks at most {$most} B-frames in a row; here are up to {$plan->keyframes->bFrames}.",
            Remedy::adding($plan, "At most {$most}", KeyframesCell::NAME, ['bFrames' => $most]),
        );
    }
}
