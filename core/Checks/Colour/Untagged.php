<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Colour;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Findings\Check;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Checks\Findings\Remedy;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Cells\Colour\ColourCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;

/** The file says nothing of its colour, so that players shift gamma or saturation. */
final class Untagged implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $tagged = $plan->colour->colour->isTagged();
        if ($tagged || ! $plan->container->container->keepsColour()) {
            return null;
        }
        $lines = $plan->frameSize->frame->shorterSide();

        return new Finding(
            'untagged',
            Severity::Caution,
            ColourCell::NAME,
            "The file is left untagged: players guess by its {$lines} lines, and shift gamma or saturation where they guess wrong.",
            Remedy::adding($plan, 'Tag it', ColourCell::NAME, ['tag' => null]),
        );
    }
}
