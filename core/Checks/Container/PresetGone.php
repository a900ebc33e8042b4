<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Container;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Findings\Check;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Checks\Findings\ForSoundToo;
use OuterCrate\Checks\Findings\Remedy;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Cells\Container\ContainerCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;

/** The preset or the host of an output is not there any more, or its file is broken: the output stays, and is not made. */
final class PresetGone implements Check, ForSoundToo
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        [$fault, $instead] = [$plan->spec->fault, $plan->spec->instead];

        return $fault === null
            ? null
            : new Finding(
                'preset-gone',
                Severity::Stop,
                ContainerCell::NAME,
                "{$fault} Output of {$plan->frames} frames is planned by what is usual, and not made so.",
                $instead === null ? null : new Remedy("Take the preset {$instead}", [], $instead),
            );
    }
}
