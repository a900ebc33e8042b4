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

/** A loudness is asked for, and how loud the cut is has not been measured yet. */
final class LoudnessUnknown implements Check, ForSoundToo
{
    public function look(Plan $plan, Subject $subject): ?Finding
    {
        $levelling = $plan->sound->levelling;
        if ($levelling === null || $levelling->gain !== null || $plan->sound->codec === null) {
            return null;
        }

        return new Finding('loudness-unknown', Severity::Caution, Cell::Sound, "The sound is to have {$levelling->label()}, and the cut has not been listened to yet, or is silent. Until then it is left as it is; the sheet is planned anew when that is done.", Remedy::adding($plan, 'Leave the level alone', Cell::Sound, ['loudness' => null]));
    }
}
