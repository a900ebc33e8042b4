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

/**
 * A picture is told to be HDR or SDR against what the cut says. SDR’s white lies at 100 cd/m² (ITU-R BT.2035, 3.2), PQ reaches
 * 10 000 (SMPTE ST 2084).
 */
final class HdrMistagged implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $cut = $subject->reading->mainVideo()?->colour;
        $source = $plan->colour->source;
        if ($cut === null || ! $cut->isTagged() || $cut->isHdr() === $source->isHdr()) {
            return null;
        }

        return new Finding(
            'hdr-mistagged',
            Severity::Caution,
            ColourCell::NAME,
            "The cut says {$cut->label()}, and its samples are taken for {$source->label()}. ".
                ($cut->isHdr()
                    ? 'HDR that is shown as if its white were the 100 cd/m² of SDR looks grey and flat.'
                    : 'SDR whose white of 100 cd/m² is shown as HDR’s thousands looks far too bright.'),
            Remedy::adding($plan, 'As the cut says', ColourCell::NAME, ['tag' => null]),
        );
    }
}
