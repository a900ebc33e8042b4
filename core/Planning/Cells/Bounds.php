<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells;

/** The least and the most that a number of a rule may be, and the step in which it is usually changed. */
final readonly class Bounds
{
    public function __construct(public float $least, public float $most, public float $step = 1)
    {
    }

    public function hold(float $value): bool
    {
        return $value >= $this->least && $value <= $this->most;
    }

    /** 0.5 to 2. */
    public function __toString(): string
    {
        return str_replace('-', '−', "{$this->least} to {$this->most}");
    }
}
