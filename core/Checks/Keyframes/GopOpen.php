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

/** The host asks closed groups of pictures. */
final class GopOpen implements Check
{
    public function look(Plan $plan, Subject $subject): ?Finding
    {
        $host = $plan->spec->host;
        if ($host === null || ! $host->asks->closedGop || $plan->keyframes->closed) {
            return null;
        }

        return new Finding('gop-open', Severity::Caution, Cell::Keyframes, "{$host->name} asks closed GOPs; here frames look across the keyframe that comes every {$plan->keyframes->frames} frames, and break where the host cuts.", Remedy::adding($plan, 'Close them', Cell::Keyframes, ['closed' => true]));
    }
}
