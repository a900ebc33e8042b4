<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Sound;

use OuterCrate\Checks\Check;
use OuterCrate\Checks\Finding;
use OuterCrate\Checks\ForSoundToo;
use OuterCrate\Checks\Severity;
use OuterCrate\Checks\Subject;
use OuterCrate\Planning\Cell;
use OuterCrate\Planning\Plan;
use OuterCrate\Presets\Role;

/** An upload without sound. */
final class NoSound implements Check, ForSoundToo
{
    public function look(Plan $plan, Subject $subject): ?Finding
    {
        if ($plan->sound->codec !== null || $plan->spec->preset->role !== Role::Upload) {
            return null;
        }
        $cut = $subject->reading->mainAudio();
        $cutHasSound = $cut !== null;

        return new Finding(
            'no-sound',
            $cutHasSound ? Severity::Caution : Severity::Note,
            Cell::Sound,
            $cutHasSound ? "The cut has sound in {$cut->channels} channels, and this upload leaves it out." : 'The cut has 0 sound tracks, so the upload is silent. If it should have sound, export it again.',
            $cutHasSound ? Finding::putBack(Cell::Sound, 'Put the preset’s sound back') : null,
        );
    }
}
