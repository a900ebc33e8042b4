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

/** Neither picture nor sound is left. */
final class NothingToMake implements Check, ForSoundToo
{
    public function look(Plan $plan, Subject $subject): ?Finding
    {
        if ($plan->hasPicture() || $plan->sound->codec !== null) {
            return null;
        }
        $sounds = count($subject->reading->audio);

        return new Finding('nothing-to-make', Severity::Stop, Cell::Sound, $sounds === 0
            ? 'The output holds sound alone, and the cut has 0 sound tracks. Choose another preset.'
            : "The output holds neither picture nor sound, though the cut has {$sounds} sound ".($sounds === 1 ? 'track.' : 'tracks.'), $sounds === 0 ? null : new Remedy('Keep the sound', ['sound' => 'follow']));
    }
}
