<?php

declare(strict_types=1);

namespace OuterCrate\Checks\File;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Findings\Check;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Checks\Findings\Remedy;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Cells\Bitrate\BitrateCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;
use OuterCrate\Units\ByteCount;

/** The upload is a larger file than the host takes. */
final class TooLargeForHost implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $host = $plan->spec->host;
        $most = $host?->asks->limits->bytes;
        $bytes = $estimate->bytes;
        if ($host === null || $most === null || $bytes <= $most) {
            return null;
        }

        return new Finding(
            'too-large-for-host',
            Severity::Stop,
            BitrateCell::NAME,
            "{$host->name} takes files of at most ".
                new ByteCount($most).
                '; this one comes to about '.
                new ByteCount($bytes).
                '. Lower the average.',
            Remedy::stayingUnder($plan, $most),
        );
    }
}
