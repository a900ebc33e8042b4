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

/** The cut is HDR and the output is not. */
final class HdrToSdr implements Check
{
    public function look(Plan $plan, Subject $subject): ?Finding
    {
        if (! $plan->colour->toneMap) {
            return null;
        }

        return new Finding(
            'hdr-to-sdr',
            Severity::Caution,
            Cell::Colour,
            "The cut is {$subject->reading->mainVideo()?->colour->label()}. {$plan->picture->name()} carries {$plan->colour->pixelFormat->bitDepth} bits, so highlights are brought down to BT.709.",
            new Remedy('Keep HDR: HEVC Main 10', ['picture' => ['codec' => 'hevc', 'profile' => 'main10']]),
        );
    }
}
