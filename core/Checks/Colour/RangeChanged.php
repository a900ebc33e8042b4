<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Colour;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Findings\Check;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Checks\Findings\Remedy;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Formats\Picture\Chroma;
use OuterCrate\Planning\Cells\Colour\ColourCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;

/** Full range in an upload: many players and hosts take it for limited and crush blacks and whites. */
final class RangeChanged implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $host = $plan->spec->host;
        if ($host === null || ! $plan->colour->colour->fullRange || $plan->colour->pixelFormat->chroma === Chroma::Rgb) {
            return null;
        }

        return new Finding(
            'full-range',
            Severity::Caution,
            ColourCell::NAME,
            'Samples use the full range of 0 to 255. A host that takes them for 16 to 235 crushes what lies outside: the picture '
                .'comes back darker.',
            Remedy::adding($plan, 'Use the limited range', ColourCell::NAME, ['range' => 'limited']),
        );
    }
}
