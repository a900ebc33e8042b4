<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Audio;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Findings\Check;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Checks\Findings\ForSoundToo;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Cells\Audio\AudioCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;
use OuterCrate\Presets\Role;

/** An upload without sound. */
final class NoAudio implements Check, ForSoundToo
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        if ($plan->audio->codec !== null || $plan->spec->preset->role !== Role::Upload) {
            return null;
        }
        $cut = $subject->reading->mainAudio();
        $cutHasSound = $cut !== null;

        return new Finding(
            'no-audio',
            $cutHasSound ? Severity::Caution : Severity::Note,
            AudioCell::NAME,
            $cutHasSound
                ? "The cut has sound in {$cut->channels} channels, and this upload leaves it out."
                : 'The cut has 0 sound tracks, so the upload is silent. If it should have sound, export it again.',
            $cutHasSound ? Finding::putBack(AudioCell::NAME, 'Put the preset’s sound back') : null,
        );
    }
}
