<?php

declare(strict_types=1);

namespace Tests\Support\MadeUp;

use OuterCrate\Planning\Values\Value;

final readonly class SmellValue implements Value
{
    public function __construct(public float $strength)
    {
    }

    public function label(): string
    {
        return "smell {$this->strength}";
    }

    public function canChange(): bool
    {
        return true;
    }

    public function toArray(): array
    {
        return ['label' => $this->label(), 'strength' => $this->strength];
    }
}
