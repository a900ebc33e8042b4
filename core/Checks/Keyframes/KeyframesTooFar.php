<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Keyframes;

use OuterCrate\Checks\Check;
use OuterCrate\Checks\Finding;
use OuterCrate\Checks\Remedy;
use OuterCrate\Checks\Severity;
use OuterCrate\Checks\Subject;
use OuterCrate\Planning\Cell;
use OuterCrate\Planning\Plan;

/** The host asks for a keyframe more often. */
final class KeyframesTooFar implements Check
{
    public function look(Plan $plan, Subject $subject): ?Finding
    {
        $host = $plan->spec->host;
        $asked = $host?->asks->keyframeSeconds;
        $seconds = $plan->keyframes->seconds;
        if ($host === null || $asked === null || $seconds->compare($asked->times(1005)->over(1000)) <= 0) {
            return null;
        }

        return new Finding('keyframes-too-far', Severity::Caution, Cell::Keyframes, "{$host->name} asks a keyframe every {$asked->toFloat()} s; here they lie {$seconds->toFloat()} s apart.", Remedy::adding($plan, "Every {$asked->toFloat()} s", Cell::Keyframes, ['seconds' => $asked->toFloat(), 'frames' => null]));
    }
}
