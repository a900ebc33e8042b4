<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Colour;

use OuterCrate\Checks\Check;
use OuterCrate\Checks\Finding;
use OuterCrate\Checks\Remedy;
use OuterCrate\Checks\Severity;
use OuterCrate\Checks\Subject;
use OuterCrate\Planning\Cell;
use OuterCrate\Planning\Plan;

/** Most viewers of an HDR upload see what the host makes of it for SDR screens. */
final class HdrForSdrViewers implements Check
{
    public function look(Plan $plan, Subject $subject): ?Finding
    {
        $host = $plan->spec->host;
        if ($host === null || ! $plan->colour->colour->isHdr()) {
            return null;
        }

        return new Finding('hdr-for-sdr-viewers', Severity::Note, Cell::Colour, "{$host->name} gets {$plan->colour->colour->label()} in {$plan->colour->pixelFormat->bitDepth} bits and brings it down for SDR screens in its own way. Look at that version before it is public, or send SDR.", Remedy::adding($plan, 'Send BT.709, brought down here', Cell::Colour, ['convert' => 'bt709']));
    }
}
