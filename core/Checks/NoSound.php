<?php

declare(strict_types=1);

namespace OuterCrate\Checks;

use OuterCrate\Planning\Cell;
use OuterCrate\Planning\Plan;
use OuterCrate\Presets\Role;

/** An upload without sound. */
final class NoSound implements Check
{
    public function look(Plan $plan, Subject $subject): ?Finding
    {
        if ($plan->sound->codec !== null || $plan->spec->preset->role !== Role::Upload) {
            return null;
        }
        $cutHasSound = $subject->reading->audio !== [];

        return new Finding(
            'no-sound',
            $cutHasSound ? Severity::Caution : Severity::Note,
            Cell::Sound,
            $cutHasSound ? 'The cut has sound, and this upload leaves it out.' : 'The cut has no sound, so the upload is silent. If it should have sound, export it again.',
            $cutHasSound ? Finding::putBack(Cell::Sound, 'Put the preset’s sound back') : null,
        );
    }
}
