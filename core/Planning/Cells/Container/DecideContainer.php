<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\Container;

use OuterCrate\Planning\Draft;
use OuterCrate\Planning\OriginSource;
use OuterCrate\Planning\PlanImpossible;
use OuterCrate\Planning\Values\ContainerValue;

final class DecideContainer
{
    /** @throws PlanImpossible when the rule leads to no value */
    public function decide(Draft $draft): void
    {
        $rule = $draft->rules->fields('container');
        $asks = $draft->host?->asks;
        $known = $asks->container->ids ?? [];
        $fromHost = ! $rule->has('set') && $known !== [];
        $id = $rule->text('set') ?? ($known[0] ?? 'mp4');
        $container =
            $draft->catalogue->containers()[$id] ??
            throw new PlanImpossible(ContainerCell::NAME, "The container “{$id}” is not made here. Choose another one.");
        // An upload that begins with its index can be read by the host while it arrives, asked for or not.
        $fastStart = $container->hasFastStart() && ($rule->bool('fastStart') ?? $draft->host !== null || ! $rule->has('set'));
        $draft->decide(
            ContainerCell::NAME,
            new ContainerValue($container, $fastStart),
            $fromHost ? OriginSource::Host : OriginSource::Preset,
            $fromHost ? "asks {$container->name()}" : 'preset',
        );
    }
}
