<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Picture;

use OuterCrate\Checks\Check;
use OuterCrate\Checks\Finding;
use OuterCrate\Checks\Remedy;
use OuterCrate\Checks\Severity;
use OuterCrate\Checks\Subject;
use OuterCrate\Planning\Cell;
use OuterCrate\Planning\Plan;
use OuterCrate\Presets\Role;

/** The cut has an alpha mask, and a master does not keep it. */
final class MaskLost implements Check
{
    public function look(Plan $plan, Subject $subject): ?Finding
    {
        $cut = $subject->reading->mainVideo()?->pixelFormat;
        if ($cut === null || ! $cut->alpha || $plan->colour->pixelFormat->alpha || $plan->spec->preset->role !== Role::Master) {
            return null;
        }

        return new Finding('mask-lost', Severity::Caution, Cell::Picture, "The cut has a mask of {$cut->bitDepth} bits, and {$plan->picture->name()} does not keep it: what was see-through turns black.", new Remedy('Use ProRes 4444 in MOV', ['picture' => ['codec' => 'prores', 'profile' => 'p4444'], 'container' => ['set' => 'mov'], 'rate' => ['mode' => 'codec'], 'sound' => 'follow', 'colour' => null]));
    }
}
