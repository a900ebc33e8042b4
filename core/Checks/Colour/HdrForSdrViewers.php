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

/** Most viewers of an HDR upload see what the host makes of it for SDR screens. */
final class HdrForSdrViewers implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $host = $plan->spec->host;
        if ($host === null || ! $plan->colour->colour->isHdr()) {
            return null;
        }

        return new Finding(
            'hdr-for-sdr-viewers',
            Severity::Note,
            ColourCell::NAME,
            "{$host->name} gets {$plan->colour->colour->label()} in {$plan->colour->pixelFormat->bitDepth} bits and brings it down "
                .'for SDR screens in its own way. Look at that version before it is public, or send SDR.',
            Remedy::adding($plan, 'Send BT.709, brought down here', ColourCell::NAME, ['convert' => 'bt709']),
        );
    }
}
