<?php

declare(strict_types=1);

namespace OuterCrate\Checks\File;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Findings\Check;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Cells\Container\ContainerCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;
use OuterCrate\Units\Duration;
use OuterCrate\Units\Fraction;

/** The upload lasts longer than the host takes. */
final class TooLongForHost implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $host = $plan->spec->host;
        $most = $host?->asks->limits->seconds;
        if ($host === null || $most === null || $plan->duration->compare($most) <= 0) {
            return null;
        }

        return new Finding(
            'too-long-for-host',
            Severity::Stop,
            ContainerCell::NAME,
            "{$host->name} takes at most ".
                new Duration(new Fraction($most)).
                '; this lasts '.
                new Duration($plan->duration).
                '. Give this output a shorter range.',
        );
    }
}
