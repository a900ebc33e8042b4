<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Values;

use OuterCrate\Formats\Catalogue;
use OuterCrate\Formats\Containers\Container;
use OuterCrate\Json\Fields;

/** The box: which container, and whether its index comes first. */
final readonly class ContainerValue implements Value
{
    public const CELL = 'container';

    public function __construct(public Container $container, public bool $fastStart)
    {
    }

    public static function fromArray(Fields $value, Catalogue $catalogue): self
    {
        return new self($catalogue->container($value->needText('set')), $value->bool('fastStart') ?? false);
    }

    public function label(): string
    {
        return $this->container->name().($this->fastStart ? ' · fast start' : '');
    }

    public function canChange(): bool
    {
        return true;
    }

    public function toArray(): array
    {
        return ['label' => $this->label(), 'set' => $this->container->id(), 'fastStart' => $this->fastStart];
    }
}
