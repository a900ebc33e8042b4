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

/** More B-frames in a row than the host asks. */
final class TooManyBFrames implements Check
{
    public function look(Plan $plan, Subject $subject): ?Finding
    {
        $host = $plan->spec->host;
        $most = $host?->asks->mostBFrames;
        if ($host === null || $most === null || $plan->keyframes->bFrames <= $most) {
            return null;
        }

        return new Finding('too-many-b-frames', Severity::Caution, Cell::Keyframes, "{$host->name} asks at most {$most} B-frames in a row; here are up to {$plan->keyframes->bFrames}.", Remedy::adding($plan, "At most {$most}", Cell::Keyframes, ['bFrames' => $most]));
    }
}
