<?php

declare(strict_types=1);

namespace OuterCrate\Checks\File;

use OuterCrate\Checks\Check;
use OuterCrate\Checks\Finding;
use OuterCrate\Checks\Severity;
use OuterCrate\Checks\Subject;
use OuterCrate\Planning\Cell;
use OuterCrate\Planning\Plan;
use OuterCrate\Units\Duration;
use OuterCrate\Units\Fraction;

/** The upload lasts longer than the host takes. */
final class TooLongForHost implements Check
{
    public function look(Plan $plan, Subject $subject): ?Finding
    {
        $host = $plan->spec->host;
        $most = $host?->asks->mostSeconds;
        if ($host === null || $most === null || $plan->duration->compare($most) <= 0) {
            return null;
        }

        return new Finding('too-long-for-host', Severity::Stop, Cell::Container, "{$host->name} takes at most ".new Duration(new Fraction($most)).'; this lasts '.new Duration($plan->duration).'. Give this output a shorter range.');
    }
}
