<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Container;

use OuterCrate\Checks\Check;
use OuterCrate\Checks\Finding;
use OuterCrate\Checks\Remedy;
use OuterCrate\Checks\Severity;
use OuterCrate\Checks\Subject;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Cell;
use OuterCrate\Planning\Plan;
use OuterCrate\Units\ByteCount;

/** The index comes last, so that a host has to wait for the whole file before it can begin. */
final class IndexLast implements Check
{
    public function look(Plan $plan, Subject $subject): ?Finding
    {
        $host = $plan->spec->host;
        if ($host === null || ! $host->asks->fastStart || ! $plan->container->container->hasFastStart() || $plan->container->fastStart) {
            return null;
        }
        $bytes = new ByteCount(SizeEstimate::of($plan, $subject->reading)->bytes);

        return new Finding('index-last', Severity::Caution, Cell::Container, "{$host->name} asks fast start: with its index last, all {$bytes} must arrive before the host can read any of it.", Remedy::adding($plan, 'Put the index first', Cell::Container, ['fastStart' => true]));
    }
}
