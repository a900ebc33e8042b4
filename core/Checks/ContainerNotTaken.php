<?php

declare(strict_types=1);

namespace OuterCrate\Checks;

use OuterCrate\Planning\Cell;
use OuterCrate\Planning\Plan;

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
            "{$host->name} asks ".implode(' or ', array_map(strtoupper(...), $host->asks->containers)).", not {$plan->container->container->name()}.",
            new Remedy('Use '.strtoupper($host->asks->containers[0]), ['container' => ['set' => $host->asks->containers[0]]]),
        );
    }
}
