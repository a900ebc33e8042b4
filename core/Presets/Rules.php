<?php

declare(strict_types=1);

namespace OuterCrate\Presets;

use OuterCrate\Json\Fields;

/**
 * Rules by cell: container, picture, frameSize, frameRate, rate, keyframes, colour, sound, file. A rule is a word
 * ("follow", "host", "none") or a few named values; resources/schema/rules.json is its shape.
 */
final readonly class Rules
{
    /** Named values that replace each other, and those that go with them when one is replaced. */
    private const WAYS = [
        'picture' => [[['codec'], ['as', 'profile', 'level', 'tune', 'effort', 'device']]],
        'frameSize' => [[['follow', 'fit', 'exact', 'step'], ['shape', 'display']]],
        'keyframes' => [[['seconds', 'frames'], []]],
        'frameRate' => [[['as', 'exact', 'atLeast', 'halve'], []]],
        'sound' => [[['codec'], ['as', 'kbps', 'bitDepth', 'sampleRate', 'channels']], [['as'], ['codec', 'kbps', 'bitDepth', 'sampleRate', 'channels']]],
    ];

    /** @param  array<string, mixed>  $rules */
    public function __construct(public array $rules)
    {
    }

    /** These rules with others laid over them: named values are merged, a word replaces the whole rule. */
    public function with(self $edits): self
    {
        $merged = $this->rules;
        foreach ($edits->rules as $cell => $edit) {
            $below = $merged[$cell] ?? [];
            $merged[$cell] = is_array($edit) ? array_replace($this->kept($cell, is_string($below) ? ['as' => $below] : (array) $below, $edit), $edit) : $edit;
        }

        return new self($merged);
    }

    public function has(string $cell): bool
    {
        return array_key_exists($cell, $this->rules);
    }

    /** The word of the rule, alone or under `as` beside named values; null where there is none. */
    public function word(string $cell): ?string
    {
        $rule = $this->rules[$cell] ?? null;

        return is_string($rule) ? $rule : $this->fields($cell)->text('as');
    }

    public function fields(string $cell): Fields
    {
        $rule = $this->rules[$cell] ?? null;

        return new Fields(is_array($rule) ? $rule : []);
    }

    /**
     * What stays of a rule under an edit. A frame size is said in one way only, so a new one replaces the old one; so do another
     * codec's settings.
     *
     * @param  array<mixed>  $below
     * @param  array<mixed>  $edit
     * @return array<mixed>
     */
    private function kept(string $cell, array $below, array $edit): array
    {
        foreach (self::WAYS[$cell] ?? [] as $ways) {
            if (array_intersect_key($edit, array_flip($ways[0])) !== [] && ! ($ways[0] === ['codec'] && $edit['codec'] === ($below['codec'] ?? null))) {
                $below = array_diff_key($below, array_flip([...$ways[0], ...$ways[1]]));
            }
        }

        return $below;
    }
}
