<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Audio;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Check;
use OuterCrate\Checks\Finding;
use OuterCrate\Checks\ForSoundToo;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Cells\Audio\AudioCell;
use OuterCrate\Planning\Cells\Audio\Levelling;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;

/** Lifting the sound would push peaks over the ceiling, so they are limited. */
final class PeaksLimited implements Check, ForSoundToo
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $levelling = $plan->audio->levelling;
        if ($levelling?->gain === null || ! $levelling->limits) {
            return null;
        }
        $over = Levelling::signed(round(($subject->found->truePeak ?? 0.0) + $levelling->gain - $levelling->ceiling, 1));

        return new Finding(
            'peaks-limited',
            Severity::Note,
            AudioCell::NAME,
            'To reach '.
                $levelling->label().
                ' the sound is lifted by '.
                Levelling::signed($levelling->gain).
                " dB, and its peaks would pass the ceiling by {$over} dB: those are limited, so it comes out slightly quieter.",
            null,
        );
    }
}
