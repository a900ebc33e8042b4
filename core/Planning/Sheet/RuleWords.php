<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Sheet;

use OuterCrate\Formats\Catalogue;
use OuterCrate\Json\Fields;
use OuterCrate\Planning\Cells\Cell;
use OuterCrate\Planning\Cells\Choice;
use OuterCrate\Planning\Cells\SaysRule;
use OuterCrate\Presets\Rules;

/** Rules in the words of the sheet: the choice of an editor that says the most of one, and what is said beside it. */
final class RuleWords
{
    /** Words of rules that no choice offers. */
    private const WORDS = ['intra' => 'Every frame', 'follow' => 'Follow', 'host' => 'As the host asks', 'none' => 'None'];

    /** @var array<string, list<Choice>> by cell */
    private array $choices = [];

    /** @var array<string, array<string, array<string, mixed>>> parts by cell and key, as an editor shows them */
    private array $parts = [];

    public function __construct(private readonly Cells $cells, private readonly Catalogue $catalogue)
    {
    }

    /** @return array<string, string> by cell, in the order of the sheet; empty where nothing is said of one */
    public function all(Rules $rules): array
    {
        return array_map(fn (Cell $cell): string => $this->of($cell, $rules->rules[$cell->name()] ?? null), $this->cells->all());
    }

    /** Inside 1920×1080; H.264 High, effort slow; VBR, 2 passes, host’s ask × 1.8. */
    public function of(Cell $cell, mixed $rule): string
    {
        if ($cell instanceof SaysRule && is_array($rule)) {
            return $cell->inWords(new Fields($rule));
        }
        if (is_string($rule)) {
            $rule = ['as' => $rule];
        }
        if (! is_array($rule) || $rule === []) {
            return '';
        }
        $said = $this->choice($cell, $rule);
        $words = $said === null ? [] : [$said->label];
        $shown = $said === null ? [] : (is_string($said->rule) ? ['as' => $said->rule] : $said->rule);
        foreach ($rule as $key => $value) {
            if (! array_key_exists($key, $shown) && $value !== null) {
                $words[] = $this->part($cell, (string) $key, $value);
            }
        }

        return implode(', ', array_filter($words, static fn (string $text): bool => $text !== ''));
    }

    /** @param  array<mixed>  $rule */
    private function choice(Cell $cell, array $rule): ?Choice
    {
        $best = null;
        $most = 0;
        foreach ($this->choices[$cell->name()] ??= $cell->choices($this->catalogue) as $choice) {
            $parts = is_string($choice->rule) ? ['as' => $choice->rule] : $choice->rule;
            // Numbers that a file says as 2 and 2.0 are the same.
            $others = array_filter(
                $parts,
                static fn (mixed $value, string $key): bool => ($rule[$key] ?? null) != $value,
                ARRAY_FILTER_USE_BOTH,
            );
            if ($others === [] && count($parts) > $most) {
                [$best, $most] = [$choice, count($parts)];
            }
        }

        return $best;
    }

    private function part(Cell $cell, string $key, mixed $value): string
    {
        if ($key === 'as') {
            return self::WORDS[is_string($value) ? $value : ''] ?? '';
        }
        if (! isset($this->parts[$cell->name()])) {
            $this->parts[$cell->name()] = [];
            foreach ($cell->parts(true) as $part) {
                $this->parts[$cell->name()][$part->key] = $part->toArray();
            }
        }
        $part = new Fields($this->parts[$cell->name()][$key] ?? []);
        $label = mb_strtolower($part->text('label') ?? $key);
        foreach ($part->rows('options') as $option) {
            if (($option->all()['value'] ?? null) == $value) {
                return "{$label} ".mb_strtolower($option->text('label') ?? '');
            }
        }

        return match (true) {
            $value === true => $label,
            $value === false => "not {$label}",
            is_scalar($value) => trim("{$label} {$value} ".($part->text('unit') ?? '')),
            default => $label,
        };
    }
}
