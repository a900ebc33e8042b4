<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Sound;

use OuterCrate\Checks\Check;
use OuterCrate\Checks\Finding;
use OuterCrate\Checks\ForSoundToo;
use OuterCrate\Checks\Remedy;
use OuterCrate\Checks\Severity;
use OuterCrate\Checks\Subject;
use OuterCrate\Planning\Cell;
use OuterCrate\Planning\Plan;
use OuterCrate\Presets\Role;

/** The cut has more sound tracks than a master keeps. */
final class TracksLeftOut implements Check, ForSoundToo
{
    public function look(Plan $plan, Subject $subject): ?Finding
    {
        $tracks = count($subject->reading->audio);
        if ($tracks < 2 || count($plan->sound->tracks) > 1 || $plan->sound->codec === null || $plan->spec->preset->role !== Role::Master) {
            return null;
        }

        return new Finding('tracks-left-out', Severity::Caution, Cell::Sound, "The cut has {$tracks} sound tracks, and this master keeps the first alone.", Remedy::adding($plan, "Keep all {$tracks}", Cell::Sound, ['tracks' => 'all']));
    }
}
