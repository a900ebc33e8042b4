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

/** The host does not take this container. */
final class ContainerNotTaken implements Check
{
    public function look(Plan $plan, Subject $subject): ?Finding
    {
        $host = $plan->spec->host;
        $id = $plan->container->container->id();
        if ($host === null || $host->asks->containers === [] || in_array($id, $host->asks->containers, true)) {
            return null;
        }

        return new Finding(
            'container-not-taken',
            Severity::Caution,
            Cell::Container,
            "{$host->name} asks ".implode(' or ', array_map(strtoupper(...), $host->asks->containers)).", not {$plan->container->container->name()}; it may refuse the file of about ".new ByteCount(SizeEstimate::of($plan, $subject->reading)->bytes).' or take hours over it.',
            new Remedy('Use '.strtoupper($host->asks->containers[0]), ['container' => ['set' => $host->asks->containers[0]]]),
        );
    }
}
