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

/** The file grows past what readers of its container can count to. */
final class ContainerTooSmall implements Check
{
    public function look(Plan $plan, Subject $subject): ?Finding
    {
        $container = $plan->container->container;
        $most = $container->breaksAbove();
        $bytes = $most === null ? 0 : SizeEstimate::of($plan, $subject->reading)->bytes;
        if ($most === null || $bytes <= $most) {
            return null;
        }

        return new Finding(
            'container-too-small',
            Severity::Caution,
            Cell::Container,
            "Many readers of {$container->name()} fail past ".new ByteCount($most).'; this file comes to about '.new ByteCount($bytes).'.',
            new Remedy('Use Matroska, which has no such limit', ['container' => ['set' => 'matroska']]),
        );
    }
}
