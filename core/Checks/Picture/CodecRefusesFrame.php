<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Picture;

use OuterCrate\Checks\Check;
use OuterCrate\Checks\Finding;
use OuterCrate\Checks\Severity;
use OuterCrate\Checks\Subject;
use OuterCrate\Planning\Cell;
use OuterCrate\Planning\Plan;

/** The codec cannot carry a frame of this size or rate at all. */
final class CodecRefusesFrame implements Check
{
    public function look(Plan $plan, Subject $subject): ?Finding
    {
        $reason = $plan->picture->codec->refuses($plan->picture->profile, $plan->frameSize->frame, $plan->frameRate->rate);

        return $reason === null ? null : new Finding('codec-refuses-frame', Severity::Stop, Cell::Picture, $reason, $plan->spec->edits->has('picture') ? Finding::putBack(Cell::Picture, 'Put the preset’s codec back') : null);
    }
}
