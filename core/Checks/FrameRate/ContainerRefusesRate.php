<?php

declare(strict_types=1);

namespace OuterCrate\Checks\FrameRate;

use OuterCrate\Analysis\Severity;
use OuterCrate\Checks\Findings\Check;
use OuterCrate\Checks\Findings\Finding;
use OuterCrate\Checks\Findings\Remedy;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Cells\FrameRate\FrameRateCell;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Subject;
use OuterCrate\Units\FrameRate;

/** The container can only be told some frame rates, and this is none of them. */
final class ContainerRefusesRate implements Check
{
    public function look(Plan $plan, Subject $subject, SizeEstimate $estimate): ?Finding
    {
        $container = $plan->container->container;
        $rate = $plan->frameRate->rate;
        $carried = array_map(FrameRate::parse(...), $container->frameRates());
        if ($carried === [] || array_filter($carried, static fn (FrameRate $known): bool => $known->equals($rate)) !== []) {
            return null;
        }
        $nearest = $rate->suiting($carried);

        return new Finding(
            'container-refuses-rate',
            Severity::Stop,
            FrameRateCell::NAME,
            "{$container->name()} carries the rates of production alone, and {$rate->label()} fps is none of them.",
            new Remedy("Deliver at {$nearest->label()} fps", ['frameRate' => ['exact' => (string) $nearest]]),
        );
    }
}
