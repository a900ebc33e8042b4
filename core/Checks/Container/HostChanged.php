<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Container;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Findings\Check;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Checks\Findings\ForSoundToo;
use OuterCrate\Checks\Findings\Remedy;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Cells\Container\ContainerCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;

/** The host asks something else than when the output was last looked at, and that changed the output. */
final class HostChanged implements Check, ForSoundToo
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $changed = $plan->spec->changed;
        $host = $plan->spec->host;

        return $host === null || $changed?->newerHost === null || $changed->differences === []
            ? null
            : new Finding(
                'host-changed',
                Severity::Note,
                ContainerCell::NAME,
                "{$host->name} was changed (version {$changed->newerHost}): ".implode('; ', $changed->differences).'.',
                Remedy::acceptingHost('Take note'),
            );
    }
}
