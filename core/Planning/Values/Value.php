<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Values;

/** A decided value of one cell. */
interface Value
{
    /** As the cell shows it. */
    public function label(): string;

    /** False where what was decided before leaves nothing to change. */
    public function canChange(): bool;

    /** @return array<string, mixed> with the label and every part by name, in the cell's schema */
    public function toArray(): array;
}
