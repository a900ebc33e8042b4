<?php

declare(strict_types=1);

namespace OuterCrate\Presets;

use OuterCrate\Json\Fields;

/**
 * Rules by cell of the sheet. A rule is a word
 * ("follow", "host", "none") or a few named values; resources/schema/rules.json is its shape.
 */
final readonly class Rules
{
    /** @param  array<string, mixed>  $rules */
    public function __construct(public array $rules)
    {
    }

    public static function fromArray(Fields $rules): self
    {
        $named = [];
        foreach ($rules->all() as $cell => $rule) {
            $named[(string) $cell] = $rule;
        }

        return new self($named);
    }

    /** The same without what is said of a cell. */
    public function without(string $cell): self
    {
        return new self(array_diff_key($this->rules, [$cell => true]));
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

    /**
     * What is said of a cell with named values laid over it; a word stays beside them.
     *
     * @param  array<string, mixed>  $values
     * @return array<string, mixed> a rule
     */
    public function laidOver(string $cell, array $values): array
    {
        $own = $this->rules[$cell] ?? null;
        $rule = $values;
        foreach (is_array($own) ? $own : array_filter(['as' => $own], is_string(...)) as $part => $value) {
            $rule[(string) $part] ??= $value;
        }

        return $rule;
    }

    public function fields(string $cell): Fields
    {
        $rule = $this->rules[$cell] ?? null;

        return new Fields(is_array($rule) ? $rule : []);
    }
}
