<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Bitrate;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Findings\Check;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Hosts\Asks\BitrateRow;
use OuterCrate\Planning\Cells\Bitrate\BitrateCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;

/** The picture lies outside the host's table of rates, and what it asks is an extrapolation. */
final class BeyondTable implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $host = $plan->spec->host;
        $asked = $plan->askedRate();
        $sides = array_map(static fn (BitrateRow $row): int => $row->shorterSide, $host->asks->bitrate->rows ?? []);
        if ($host === null || $asked === null || ! $asked->beyond || $plan->bitrate->average === null || $sides === []) {
            return null;
        }

        return new Finding(
            'beyond-table',
            Severity::Caution,
            BitrateCell::NAME,
            "{$host->name} names rates for ".(count($sides) === 1 ? "{$sides[0]} lines only" : min($sides).' to '.max($sides).' lines')
                .". For {$plan->frameSize->frame}, {$asked->range} is "
                .(count($sides) === 1 ? 'that rate as it stands.' : 'the line through its nearest rows drawn on.'),
        );
    }
}
