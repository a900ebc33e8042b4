<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Values;

/** A value of the picture in a file that holds sound alone: decided like any other, and not shown. */
final readonly class AbsentValue implements Value
{
    public function __construct(private Value $value)
    {
    }

    public function label(): string
    {
        return '–';
    }

    public function canChange(): bool
    {
        return false;
    }

    public function toArray(): array
    {
        return ['label' => $this->label()] + $this->value->toArray();
    }
}
