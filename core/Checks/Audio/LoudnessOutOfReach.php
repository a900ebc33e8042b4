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
use OuterCrate\Planning\Cells\Audio\AudioSchema;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;
use OuterCrate\Planning\Values\Levelling;

/** The sound is so far under the loudness that is asked that it would have to be lifted beyond reason. */
final class LoudnessOutOfReach implements Check, ForSoundToo
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $levelling = $plan->audio->levelling;
        $loudness = $subject->heard($plan->audio)?->integrated;
        if ($levelling?->gain === null || $loudness === null || $plan->audio->codec === null) {
            return null;
        }
        $comes = round($loudness + $levelling->gain, 1);
        if (abs($comes - $levelling->target) <= Levelling::NEAR) {
            return null;
        }
        $needed = Levelling::signed(round($levelling->target - $loudness, 1));
        $reached = floor(2 * $comes) / 2;

        return new Finding(
            'loudness-out-of-reach',
            Severity::Caution,
            AudioCell::NAME,
            "{$levelling->label()} would need {$needed} dB; no more than ".Levelling::MOST_GAIN.' are given, since noise and room come up '
                .'with the voice. It comes out at '.Levelling::signed($comes).' LUFS.',
            AudioSchema::loudness()->hold($reached)
                ? Remedy::adding($plan, 'Ask for '.Levelling::signed($reached).' LUFS', AudioCell::NAME, ['loudness' => $reached])
                : null,
        );
    }
}
