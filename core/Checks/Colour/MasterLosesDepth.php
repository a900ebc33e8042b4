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
use OuterCrate\Presets\Role;

/** A master stores fewer bits or coarser chroma than the cut. */
final class MasterLosesDepth implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $cut = $subject->reading->mainVideo()?->pixelFormat;
        $stored = $plan->colour->pixelFormat;
        if (
            $cut === null ||
            $plan->spec->preset->role !== Role::Master ||
            ($stored->bitDepth >= $cut->bitDepth && ! $cut->chroma->isFinerThan($stored->chroma)) ||
            $plan->colour->toneMap
        ) {
            return null;
        }
        $ten = $cut->bitDepth <= 10 && ! $cut->chroma->isFinerThan(Chroma::C422);

        return new Finding(
            'master-loses-depth',
            Severity::Caution,
            ColourCell::NAME,
            "The cut has {$cut->bitDepth}-bit {$cut->chroma->value}, and this master keeps {$stored->bitDepth}-bit "
                ."{$stored->chroma->value} of it. Whatever is made from it later has no more.",
            $ten
                ? new Remedy('Use ProRes 422 HQ in MOV', [
                    'video' => ['codec' => 'prores', 'profile' => 'hq'],
                    'container' => ['set' => 'mov'],
                    'bitrate' => ['mode' => 'codec'],
                    'audio' => 'follow',
                    'colour' => null,
                ])
                : new Remedy('Use FFV1, which keeps all', [
                    'video' => ['codec' => 'ffv1'],
                    'container' => ['set' => 'matroska'],
                    'bitrate' => ['mode' => 'lossless'],
                    'audio' => 'follow',
                    'colour' => null,
                ]),
        );
    }
}
