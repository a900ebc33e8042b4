<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells;

/** A rule that a cell's editor offers, with what it means. */
final readonly class Choice
{
    /** @param  string|array<string, mixed>  $rule */
    public function __construct(public string $label, public string $about, public string|array $rule)
    {
    }

    /** @return array{label: string, about: string, rule: string|array<string, mixed>} */
    public function toArray(): array
    {
        return ['label' => $this->label, 'about' => $this->about, 'rule' => $this->rule];
    }
}
