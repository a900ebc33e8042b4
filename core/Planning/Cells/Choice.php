<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells;

/** A rule that a cell's editor offers, with what it means. */
final readonly class Choice
{
    /**
     * @param  string|array<string, mixed>  $rule
     * @param  string  $group  heading that it stands under in a long list; empty for what stands first
     */
    public function __construct(
        public string $label,
        public string $about,
        public string|array $rule,
        public string $group = '',
    ) {
    }

    /** @return array{label: string, about: string, group: string, rule: string|array<string, mixed>} */
    public function toArray(): array
    {
        return ['label' => $this->label, 'about' => $this->about, 'group' => $this->group, 'rule' => $this->rule];
    }
}
