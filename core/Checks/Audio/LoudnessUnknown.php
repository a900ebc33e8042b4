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

/** A loudness is asked for, and how loud that is which is delivered has not been measured yet. */
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
            Severity::Note,
            AudioCell::NAME,
            'How loud the sound is that this file gets has not been heard yet. It is listened to before the file is made, and brought to '
                ."{$levelling->label()}; what is silent is left alone.",
            Remedy::adding($plan, 'Leave the level alone', AudioCell::NAME, ['loudness' => null]),
        );
    }
}
