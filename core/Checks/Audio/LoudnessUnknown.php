<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Audio;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Check;
use OuterCrate\Checks\Finding;
use OuterCrate\Checks\ForSoundToo;
use OuterCrate\Checks\Remedy;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Cells\Audio\AudioCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;

/** A loudness is asked for, and how loud the cut is has not been measured yet. */
final class LoudnessUnknown implements Check, ForSoundToo
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $levelling = $plan->audio->levelling;
        if ($levelling === null || $levelling->gain !== null || $plan->audio->codec === null) {
            return null;
        }

        return new Finding(
            'loudness-unknown',
            Severity::Caution,
            AudioCell::NAME,
            "The sound is to have {$levelling->label()}, and the cut has not been listened to yet, or is silent. Until then it is "
                .'left as it is; the sheet is planned anew when that is done.',
            Remedy::adding($plan, 'Leave the level alone', AudioCell::NAME, ['loudness' => null]),
        );
    }
}
