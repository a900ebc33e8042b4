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

/** The host asks for a keyframe more often. */
final class KeyframesTooFar implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $host = $plan->spec->host;
        $asked = $host?->asks->keyframes->seconds;
        $seconds = $plan->keyframes->seconds;
        if ($host === null || $asked === null || $seconds->compare($asked->times(1005)->over(1000)) <= 0) {
            return null;
        }

        return new Finding(
            'keyframes-too-far',
            Severity::Caution,
            KeyframesCell::NAME,
            "{$host->name} asks a keyframe every {$asked->toFloat()} s; here they lie {$seconds->toFloat()} s apart.",
            Remedy::adding($plan, "Every {$asked->toFloat()} s", KeyframesCell::NAME, ['seconds' => $asked->toFloat(), 'frames' => null]),
        );
    }
}
