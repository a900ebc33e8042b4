<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Colour;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Findings\Check;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Checks\Findings\Remedy;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Formats\Picture\ColourSpace;
use OuterCrate\Planning\Cells\Colour\ColourCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;

/** The cut is HDR and the output is not. */
final class HdrToSdr implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        if (! $plan->colour->toneMap) {
            return null;
        }

        return new Finding(
            'hdr-to-sdr',
            Severity::Caution,
            ColourCell::NAME,
            "The cut is {$subject->reading->mainVideo()?->colour->label()}. {$plan->video->name()} carries "
                ."{$plan->colour->pixelFormat->bitDepth} bits, so highlights are brought down to BT.709.",
            new Remedy('Keep HDR: HEVC Main 10', [
                'video' => ['codec' => 'hevc', 'profile' => 'main10'],
                'colour' => ['bitDepth' => 10] + ($plan->wishes(ColourCell::NAME, 'convert') === null ? [] : [
                    'convert' => ($plan->colour->source->transfer === 'smpte2084' ? ColourSpace::Bt2020Pq : ColourSpace::Bt2020Hlg)->value,
                ]),
            ]),
        );
    }
}
