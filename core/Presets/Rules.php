<?php

declare(strict_types=1);

namespace OuterCrate\Presets;

use OuterCrate\Json\Fields;

/**
 * Rules by cell: container, picture, frameSize, frameRate, rate, keyframes, colour, sound. A rule is a word
 * ("follow", "host", "none") or a few named values; resources/schema/rules.json is its shape.
 */
final readonly class Rules
{
    /** @param  array<string, mixed>  $rules */
    public function __construct(public array $rules)
    {
    }

    /** These rules with others laid over them: named values are merged, a word replaces the whole rule. */
    public function with(self $edits): self
    {
        $merged = $this->rules;
        foreach ($edits->rules as $cell => $edit) {
            $below = $merged[$cell] ?? null;
            $merged[$cell] = is_array($edit) && is_array($below) && $this->sameKind($cell, $below, $edit) ? array_replace($below, $edit) : $edit;
        }

        return new self($merged);
    }

    public function has(string $cell): bool
    {
        return array_key_exists($cell, $this->rules);
    }

    /** The word of the rule, or null when it is made of named values or absent. */
    public function word(string $cell): ?string
    {
        $rule = $this->rules[$cell] ?? null;

        return is_string($rule) ? $rule : null;
    }

    public function fields(string $cell): Fields
    {
        $rule = $this->rules[$cell] ?? null;

        return new Fields(is_array($rule) ? $rule : []);
    }

    /**
     * A frame size is said in one way only, so a new one replaces the old one whole; so does another sound codec's setting.
     *
     * @param  array<mixed>  $below
     * @param  array<mixed>  $edit
     */
    private function sameKind(string $cell, array $below, array $edit): bool
    {
        return match ($cell) {
            'frameSize', 'frameRate' => false,
            'sound', 'picture' => ! isset($edit['codec']) || $edit['codec'] === ($below['codec'] ?? null),
            default => true,
        };
    }
}
