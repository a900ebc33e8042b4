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

/** B-frames refer to B-frames, which the host does not take. */
final class PyramidNotAsked implements Check
{
    public function look(Plan $plan, Subject $subject): ?Finding
    {
        $host = $plan->spec->host;
        if ($host === null || $host->asks->pyramid || ! $plan->keyframes->pyramid) {
            return null;
        }

        return new Finding('pyramid-not-asked', Severity::Caution, Cell::Keyframes, "{$host->name} asks no reordering pyramid; here {$plan->keyframes->bFrames} B-frames in a row refer to each other.", Remedy::adding($plan, 'No pyramid', Cell::Keyframes, ['pyramid' => false]));
    }
}
