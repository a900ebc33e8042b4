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

/** The host does not take this container. */
final class ContainerNotTaken implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $host = $plan->spec->host;
        $id = $plan->container->container->id();
        if ($host === null || $host->asks->container->takes($id)) {
            return null;
        }

        return new Finding(
            'container-not-taken',
            Severity::Caution,
            ContainerCell::NAME,
            "{$host->name} asks ".
                $host->asks->container->names().
                ", not {$plan->container->container->name()}; it may refuse the file of about ".
                new ByteCount($estimate->bytes).
                ' or take hours over it.',
            new Remedy('Use '.strtoupper($host->asks->container->ids[0]), ['container' => ['set' => $host->asks->container->ids[0]]]),
        );
    }
}
