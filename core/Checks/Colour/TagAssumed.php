<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Colour;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Findings\Check;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Checks\Findings\Remedy;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Formats\Picture\Chroma;
use OuterCrate\Formats\Picture\ColourSpace;
use OuterCrate\Planning\Cells\Colour\ColourCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;

/** The cut says nothing of its colour; what players assume is written down. */
final class TagAssumed implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $cut = $subject->reading->mainVideo();
        if (
            $cut === null ||
            $cut->colour->isTagged() ||
            ! $plan->colour->colour->isTagged() ||
            $plan->wishes('colour', 'tag') !== null ||
            $plan->colour->pixelFormat->chroma === Chroma::Rgb
        ) {
            return null;
        }
        $assumed = ColourSpace::assumedFor($cut->size->shorterSide(), $cut->size->height);

        return new Finding(
            'tag-assumed',
            Severity::Note,
            ColourCell::NAME,
            "The cut does not say its colour. By its {$cut->size->height} lines it is taken for {$assumed->label()}; if it looks "
                .'wrong, say what it is.',
            Remedy::adding($plan, "It is {$assumed->label()}", ColourCell::NAME, ['tag' => $assumed->value]),
        );
    }
}
