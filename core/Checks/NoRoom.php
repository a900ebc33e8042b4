<?php

declare(strict_types=1);

namespace OuterCrate\Checks;

use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Cell;
use OuterCrate\Planning\Plan;
use OuterCrate\Units\ByteCount;

/** The file will not fit on the drive it is made on. */
final class NoRoom implements Check
{
    public function look(Plan $plan, Subject $subject): ?Finding
    {
        $estimate = SizeEstimate::of($plan, $subject->reading);
        if ($subject->freeBytes === null || $estimate->bytes < $subject->freeBytes) {
            return null;
        }

        return new Finding('no-room', Severity::Stop, Cell::Container, 'The file comes to about '.new ByteCount($estimate->bytes).', and the drive has '.new ByteCount($subject->freeBytes).' free. Make room or choose another folder.');
    }
}
