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

/** The file grows past what readers of its container can count to. */
final class ContainerTooSmall implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $container = $plan->container->container;
        $most = $container->breaksAbove();
        $bytes = $most === null ? 0 : $estimate->bytes;
        if ($most === null || $bytes <= $most) {
            return null;
        }

        return new Finding(
            'container-too-small',
            Severity::Caution,
            ContainerCell::NAME,
            "Many readers of {$container->name()} fail past ".new ByteCount($most).'; this file comes to about '.new ByteCount($bytes).'.',
            new Remedy('Use Matroska, which has no such limit', ['container' => ['set' => 'matroska']]),
        );
    }
}
