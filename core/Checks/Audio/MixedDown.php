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

/** Channels are mixed down. */
final class MixedDown implements Check, ForSoundToo
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $cut = $subject->reading->mainAudio();
        if ($cut === null || $plan->audio->codec === null || $plan->audio->channels >= $cut->channels || $cut->channels <= 2) {
            return null;
        }

        return new Finding(
            'mixed-down',
            Severity::Note,
            AudioCell::NAME,
            "The cut has {$cut->channels} channels and this file {$plan->audio->channels}: the others are mixed into them (ITU-R BS.775), "
                .Levelling::signed($plan->audio->headroom).' dB lower to leave them room.',
            $plan->spec->host === null
                ? Remedy::adding($plan, "Keep all {$cut->channels}", AudioCell::NAME, ['channels' => $cut->channels])
                : null,
        );
    }
}
