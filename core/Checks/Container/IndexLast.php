<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Container;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Findings\Check;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Checks\Findings\Remedy;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Cells\Container\ContainerCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;
use OuterCrate\Units\ByteCount;

/** The index comes last, so that a host has to wait for the whole file before it can begin. */
final class IndexLast implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $host = $plan->spec->host;
        if (
            $host === null ||
            ! $host->asks->container->fastStart ||
            ! $plan->container->container->hasFastStart() ||
            $plan->container->fastStart
        ) {
            return null;
        }
        $bytes = new ByteCount($estimate->bytes);

        return new Finding(
            'index-last',
            Severity::Caution,
            ContainerCell::NAME,
            "{$host->name} asks fast start: with its index last, all {$bytes} must arrive before the host can read any of it.",
            Remedy::adding($plan, 'Put the index first', ContainerCell::NAME, ['fastStart' => true]),
        );
    }
}
