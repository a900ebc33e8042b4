<?php

declare(strict_types=1);

namespace OuterCrate\Checks;

/** The one-step change that answers a finding: a patch of the output's edits. A null rule takes the edit of that cell back. */
final readonly class Remedy
{
    /**
     * @param  string  $text  what it will do, as said on the button
     * @param  array<string, mixed>  $patch  rules by cell
     */
    public function __construct(public string $text, public array $patch)
    {
    }

    /** @return array{text: string, patch: array<string, mixed>} */
    public function toArray(): array
    {
        return ['text' => $this->text, 'patch' => $this->patch];
    }
}
