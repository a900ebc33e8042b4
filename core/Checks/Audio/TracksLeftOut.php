<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Audio;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Findings\Check;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Checks\Findings\ForSoundToo;
use OuterCrate\Checks\Findings\Remedy;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Cells\Audio\AudioCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;
use OuterCrate\Presets\Role;

/** The cut has more sound tracks than a master keeps. */
final class TracksLeftOut implements Check, ForSoundToo
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $tracks = count($subject->reading->audio);
        if ($tracks < 2 || count($plan->audio->tracks) > 1 || $plan->audio->codec === null || $plan->spec->preset->role !== Role::Master) {
            return null;
        }

        return new Finding(
            'tracks-left-out',
            Severity::Caution,
            AudioCell::NAME,
            "The cut has {$tracks} sound tracks, and this master keeps the first alone.",
            Remedy::adding($plan, "Keep all {$tracks}", AudioCell::NAME, ['tracks' => 'all']),
        );
    }
}
