<?php

declare(strict_types=1);

namespace OuterCrate\Planning;

/** Something in which the file is not what the plan said. */
final readonly class Difference
{
    /** @param  bool  $isNote  it is worth knowing, and nothing is wrong with the file */
    public function __construct(
        public string $cell,
        public string $planned,
        public string $found,
        public string $text,
        public bool $isNote = false,
    ) {
    }

    /** @return array{cell: string, planned: string, found: string, text: string} */
    public function toArray(): array
    {
        return ['cell' => $this->cell, 'planned' => $this->planned, 'found' => $this->found, 'text' => $this->text];
    }
}
