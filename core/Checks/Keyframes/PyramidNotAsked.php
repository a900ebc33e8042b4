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

/** B-frames refer to B-frames, which the host does not take. */
final class PyramidNotAsked implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $host = $plan->spec->host;
        if ($host === null || $host->asks->keyframes->pyramid || ! $plan->keyframes->pyramid) {
            return null;
        }

        return new Finding(
            'pyramid-not-asked',
            Severity::Caution,
            KeyframesCell::NAME,
            "{$host->name} asks no reordering pyramid; here {$plan->keyframes->bFrames} B-frames in a row refer to each other.",
            Remedy::adding($plan, 'No pyramid', KeyframesCell::NAME, ['pyramid' => false]),
        );
    }
}
