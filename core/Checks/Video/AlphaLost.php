<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Video;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Findings\Check;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Checks\Findings\Remedy;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Cells\Video\VideoCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;
use OuterCrate\Presets\Role;

/** The cut has alpha, and a master does not keep it. */
final class AlphaLost implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $cut = $subject->reading->mainVideo()?->pixelFormat;
        if ($cut === null || ! $cut->alpha || $plan->colour->pixelFormat->alpha || $plan->spec->preset->role !== Role::Master) {
            return null;
        }

        return new Finding(
            'alpha-lost',
            Severity::Caution,
            VideoCell::NAME,
            "The cut has alpha of {$cut->bitDepth} bits, and {$plan->video->name()} does not keep it: what was see-through turns black.",
            new Remedy('Use ProRes 4444 in MOV', [
                'video' => ['codec' => 'prores', 'profile' => 'p4444'],
                'container' => ['set' => 'mov'],
                'bitrate' => ['mode' => 'codec'],
                'audio' => 'follow',
                'colour' => null,
            ]),
        );
    }
}
