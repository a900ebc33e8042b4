<?php

declare(strict_types=1);

namespace OuterCrate\Checks;

use OuterCrate\Planning\Cell;
use OuterCrate\Planning\Plan;

/** Picture or sound cannot be put into this container. */
final class ContainerCannotHold implements Check
{
    public function look(Plan $plan, Subject $subject): ?Finding
    {
        $container = $plan->container->container;
        if (! in_array($plan->picture->codec->id(), $container->videoCodecs(), true)) {
            return $this->finding("{$container->name()} does not carry {$plan->picture->codec->name()} in a way that others read.");
        }
        $sound = $plan->sound->codec;
        if ($sound !== null && ! in_array($sound->id(), $container->audioCodecs(), true)) {
            return $this->finding("{$container->name()} does not carry {$sound->name()} sound in a way that others read.");
        }

        return null;
    }

    private function finding(string $text): Finding
    {
        return new Finding('container-cannot-hold', Severity::Stop, Cell::Container, $text, new Remedy('Use Matroska, which carries both', ['container' => ['set' => 'matroska']]));
    }
}
