<?php

declare(strict_types=1);

namespace OuterCrate\Checks\File;

use OuterCrate\Checks\Check;
use OuterCrate\Checks\Finding;
use OuterCrate\Checks\Remedy;
use OuterCrate\Checks\Severity;
use OuterCrate\Checks\Subject;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Cell;
use OuterCrate\Planning\Plan;
use OuterCrate\Units\ByteCount;

/** The upload is a larger file than the host takes. */
final class TooLargeForHost implements Check
{
    public function look(Plan $plan, Subject $subject): ?Finding
    {
        $host = $plan->spec->host;
        $most = $host?->asks->mostBytes;
        $bytes = SizeEstimate::of($plan, $subject->reading)->bytes;
        if ($host === null || $most === null || $bytes <= $most) {
            return null;
        }

        return new Finding('too-large-for-host', Severity::Stop, Cell::Rate, "{$host->name} takes files of at most ".new ByteCount($most).'; this one comes to about '.new ByteCount($bytes).'. Lower the average.', Remedy::stayingUnder($plan, $most));
    }
}
