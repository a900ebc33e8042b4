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

/** Channels that say the same add up to more than full scale when they are mixed down, and nothing holds the sum. */
final class MixOverloads implements Check, ForSoundToo
{
    /** dBTP to which the remedy brings it (EBU R 128 asks −1). */
    private const SAFE = -1.0;

    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $sound = $plan->audio;
        $channels = $subject->reading->mainAudio()->channels ?? 0;
        $peak = $subject->heard($sound)?->truePeak;
        if ($sound->codec === null || $sound->channels >= $channels || $sound->levelling !== null || $peak === null || $peak <= 0) {
            return null;
        }
        $enough = ceil(2 * ($sound->headroom + $peak - self::SAFE)) / 2;

        return new Finding(
            'mix-overloads',
            Severity::Caution,
            AudioCell::NAME,
            "Mixed down, the {$channels} channels reach ".Levelling::signed($peak).' dBTP: the sum is cut off at full scale.',
            AudioSchema::headroom()->hold($enough)
                ? Remedy::adding($plan, 'Mix it '.Levelling::signed($enough).' dB lower', AudioCell::NAME, ['headroom' => $enough])
                : null,
        );
    }
}
