<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Values;

use OuterCrate\Formats\Containers\Container;

/** The box: which container, and whether its index comes first. */
final readonly class ContainerValue implements Value
{
    public function __construct(public Container $container, public bool $fastStart)
    {
    }

    public function label(): string
    {
        return $this->container->name().($this->fastStart ? ' · fast start' : '');
    }

    public function toArray(): array
    {
        return ['label' => $this->label(), 'id' => $this->container->id(), 'fastStart' => $this->fastStart];
    }
}
