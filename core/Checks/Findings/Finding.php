<?php

declare(strict_types=1);

namespace OuterCrate\Checks\Findings;

use OuterCrate\Analysis\Severity;

/** Something the checks noticed. */
final readonly class Finding
{
    /**
     * @param  string  $id  stable, in kebab case; scripts rely on it
     * @param  string  $text  a sentence that names the numbers
     */
    public function __construct(
        public string $id,
        public Severity $severity,
        public string $cell,
        public string $text,
        public ?Remedy $remedy = null,
    ) {
    }

    public static function putBack(string $cell, string $text): Remedy
    {
        return new Remedy($text, [$cell => null]);
    }

    /**
     * @return array{id: string, severity: string, cell: string, text: string, remedy: ?array<string, mixed>}
     */
    public function toArray(): array
    {
        return [
            'id' => $this->id,
            'severity' => $this->severity->value,
            'cell' => $this->cell,
            'text' => $this->text,
            'remedy' => $this->remedy?->toArray(),
        ];
    }
}
