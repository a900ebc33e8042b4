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

/** Neither picture nor sound is left. */
final class NothingToMake implements Check, ForSoundToo
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        if ($plan->hasVideo() || $plan->audio->codec !== null) {
            return null;
        }
        $sounds = count($subject->reading->audio);

        return new Finding(
            'nothing-to-make',
            Severity::Stop,
            AudioCell::NAME,
            $sounds === 0
                ? 'The output holds sound alone, and the cut has 0 sound tracks. Choose another preset.'
                : "The output holds neither picture nor sound, though the cut has {$sounds} sound ".
                    ($sounds === 1 ? 'track.' : 'tracks.'),
            $sounds === 0 ? null : new Remedy('Keep the sound', ['audio' => 'follow']),
        );
    }
}
