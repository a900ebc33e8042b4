<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Decisions;

use OuterCrate\Planning\Cell;
use OuterCrate\Planning\Draft;
use OuterCrate\Planning\OriginSource;
use OuterCrate\Planning\PlanImpossible;
use OuterCrate\Planning\Values\ContainerValue;

final class DecideContainer implements Decision
{
    public function cell(): Cell
    {
        return Cell::Container;
    }

    public function decide(Draft $draft): void
    {
        $rule = $draft->rules->fields('container');
        $asks = $draft->host?->asks;
        $known = array_values(array_filter($asks->containers ?? [], static fn (string $id): bool => isset($draft->catalogue->containers()[$id])));
        $fromHost = ! $rule->has('set') && $known !== [];
        $id = $rule->text('set') ?? $known[0] ?? 'mp4';
        $container = $draft->catalogue->containers()[$id] ?? throw new PlanImpossible(Cell::Container, "The container “{$id}” is not made here. Choose another one.");
        // An upload that begins with its index can be read by the host while it arrives, asked for or not.
        $fastStart = $container->hasFastStart() && ($rule->bool('fastStart') ?? ($draft->host !== null || ! $rule->has('set')));
        $draft->decide(Cell::Container, new ContainerValue($container, $fastStart), $fromHost ? OriginSource::Host : OriginSource::Preset, $fromHost ? "asks {$container->name()}" : 'preset');
    }
}
