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

/** The host asks closed groups of pictures. */
final class GopOpen implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $host = $plan->spec->host;
        if ($host === null || ! $host->asks->keyframes->closed || $plan->keyframes->closed) {
            return null;
        }

        return new Finding(
            'gop-open',
            Severity::Caution,
            KeyframesCell::NAME,
            "{$host->name} asks closed GOPs; here frames look across the keyframe that comes every {$plan->keyframes->frames} "
                .'frames, and break where the host cuts.',
            Remedy::adding($plan, 'Close them', KeyframesCell::NAME, ['closed' => true]),
        );
    }
}
