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

/** Lifting the sound would push peaks over the ceiling, so they are limited. */
final class PeaksLimited implements Check, ForSoundToo
{
    /** dB of limiting that the ear begins to notice. */
    private const HEARD = 6.0;

    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $levelling = $plan->audio->levelling;
        $peak = $subject->heard($plan->audio)?->truePeak;
        if ($levelling?->gain === null || ! $levelling->limits() || $peak === null) {
            return null;
        }
        $over = max(0.1, round($peak + $levelling->gain - $levelling->ceiling, 1));
        $without = floor(2 * ($levelling->target - $over)) / 2;

        return new Finding(
            'peaks-limited',
            $over > self::HEARD ? Severity::Caution : Severity::Note,
            AudioCell::NAME,
            "To reach {$levelling->label()} the sound is lifted by ".
                Levelling::signed($levelling->gain).
                ' dB, and its peaks would pass '.
                Levelling::signed($levelling->ceiling).
                ' dBTP by '.
                Levelling::signed($over).
                ' dB: a limiter takes that off them'.
                ($over > self::HEARD ? ', which can be heard.' : '.'),
            AudioSchema::loudness()->hold($without)
                ? Remedy::adding(
                    $plan,
                    'Bring it to '.Levelling::signed($without).' LUFS, without a limiter',
                    AudioCell::NAME,
                    ['loudness' => $without],
                )
                : null,
        );
    }
}
