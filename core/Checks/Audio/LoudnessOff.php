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
use OuterCrate\Planning\Values\Levelling;
use OuterCrate\Presets\Role;

/** The sound is far louder or quieter than where it goes. */
final class LoudnessOff implements Check, ForSoundToo
{
    /** LUFS that hosts usually play at, where one says nothing. */
    private const USUAL = -15.0;

    /** LU from which the ear minds. */
    private const APART = 3.0;

    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $asked = $plan->spec->host?->asks->audio?->loudness;
        $loudness = $subject->heard($plan->audio)?->integrated;
        $target = $asked?->toFloat() ?? ($plan->spec->preset->role === Role::Upload ? self::USUAL : null);
        if (
            $target === null ||
            $loudness === null ||
            $plan->audio->codec === null ||
            $plan->audio->levelling !== null ||
            abs($loudness - $target) < self::APART
        ) {
            return null;
        }
        $off = Levelling::signed(round(abs($loudness - $target), 1));
        $louder = $loudness > $target;

        return new Finding(
            'loudness-off',
            Severity::Caution,
            AudioCell::NAME,
            'The sound has '.
                Levelling::signed($loudness).
                " LUFS, {$off} LU ".
                ($louder ? 'above' : 'below').
                ' the '.
                Levelling::signed($target).
                ($asked === null ? ' that hosts usually play at' : " that {$plan->spec->host->name} asks").
                '. '.
                ($louder ? 'It is turned down there, and its peaks were squeezed for nothing.' : 'It will be hard to hear beside others.'),
            Remedy::adding($plan, 'Bring it to '.Levelling::signed($target).' LUFS', AudioCell::NAME, ['loudness' => $target]),
        );
    }
}
