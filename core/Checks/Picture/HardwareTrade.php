<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Picture;

use OuterCrate\Checks\Check;
use OuterCrate\Checks\Finding;
use OuterCrate\Checks\Remedy;
use OuterCrate\Checks\Severity;
use OuterCrate\Checks\Subject;
use OuterCrate\Planning\Cell;
use OuterCrate\Planning\Plan;

/** The graphics chip codes quickly and spends more bits for the same picture, or was asked for and is not there. */
final class HardwareTrade implements Check
{
    public function look(Plan $plan, Subject $subject): ?Finding
    {
        if ($plan->picture->hardware !== null) {
            return new Finding('hardware-trade', Severity::Note, Cell::Picture, "The graphics chip ({$plan->picture->hardware}) is many times as fast, in 1 pass, and needs about a third more bits than software for the same picture. For an upload that a host compresses again, software is worth the wait.", Remedy::adding($plan, 'Use software', Cell::Picture, ['device' => 'software']));
        }

        return $plan->wishes('picture', 'device') !== 'hardware' ? null
            : new Finding('no-hardware', Severity::Note, Cell::Picture, "0 of the graphics chip’s encoders for {$plan->picture->codec->name()} work on this machine, so it is made in software.", Remedy::adding($plan, 'Use software', Cell::Picture, ['device' => 'software']));
    }
}
