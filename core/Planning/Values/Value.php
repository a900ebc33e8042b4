<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Values;

/** A decided value of one cell. */
interface Value
{
    /** As the cell shows it. */
    public function label(): string;

    /** @return array<string, mixed> with the label and every part by name (resources/schema/plan.json) */
    public function toArray(): array;
}
