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

/** Channels are mixed down. */
final class MixedDown implements Check, ForSoundToo
{
    public function look(Plan $plan, Subject $subject): ?Finding
    {
        $cut = $subject->reading->mainAudio();
        if ($cut === null || $plan->sound->codec === null || $plan->sound->channels >= $cut->channels || $cut->channels <= 2) {
            return null;
        }

        return new Finding('mixed-down', Severity::Note, Cell::Sound, "The cut has {$cut->channels} channels and this file {$plan->sound->channels}: the others are mixed into them (ITU-R BS.775).", $plan->spec->host === null ? Remedy::adding($plan, "Keep all {$cut->channels}", Cell::Sound, ['channels' => $cut->channels]) : null);
    }
}
