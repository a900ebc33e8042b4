<?php

declare(strict_types=1);

namespace OuterCrate\Desk;

use OuterCrate\Planning\Sheet\Cells;

/**
 * Two windows changed one sheet. What only one of them changed is kept from that one, column by column and cell by cell; where both
 * changed the same, the later stays and is told. Nothing that one of them made is lost.
 */
final class SheetMerge
{
    /** Parts of a column that are one thing, with their fields. */
    private const PARTS = [
        'preset' => ['preset', 'version', 'kept'],
        'host' => ['host', 'hostVersion'],
        'range' => ['range'],
    ];

    /** @var list<string> what both changed, as sentences */
    public array $told = [];

    public function __construct(private readonly Cells $cells)
    {
    }

    /**
     * A sheet is `range` and `outputs`, each with `key`, `preset`, `host`, `edits`, `range` and what they keep of preset and
     * host (resources/schema/sheet-request.json).
     *
     * @param  array<string, mixed>  $base  what both began from
     * @param  array<string, mixed>  $theirs  saved first
     * @param  array<string, mixed>  $mine  saved now
     * @return array<string, mixed>
     */
    public function merge(array $base, array $theirs, array $mine): array
    {
        [$before, $first, $later] = [self::byKey($base), self::byKey($theirs), self::byKey($mine)];
        $outputs = [];
        foreach ([...array_keys($later), ...array_diff(array_keys($first), array_keys($later))] as $key) {
            [$was, $one, $other] = [$before[$key] ?? null, $first[$key] ?? null, $later[$key] ?? null];
            if ($one !== null && $other !== null) {
                $outputs[] = $this->column(count($outputs) + 1, $was ?? [], $one, $other);
            } elseif ($was === null || ($one ?? $other) != $was) {
                // New in one of them; or taken away in one and changed in the other, whose work is kept.
                $outputs[] = $one ?? $other;
            }
        }

        return [
            'range' => $this->either('The range', $base['range'] ?? null, $theirs['range'] ?? null, $mine['range'] ?? null),
            'outputs' => $outputs,
        ];
    }

    /**
     * @param  array<mixed>  $was
     * @param  array<mixed>  $one
     * @param  array<mixed>  $other
     * @return array<mixed>
     */
    private function column(int $number, array $was, array $one, array $other): array
    {
        $column = ['key' => $other['key']];
        foreach (self::PARTS as $part => $fields) {
            // What belongs together is taken together: a preset with its version and its rules.
            $of = static fn (array $output): array => array_intersect_key($output, array_flip($fields));
            $said = $this->either("The {$part} of output {$number}", $of($was), $of($one), $of($other));
            $column += is_array($said) ? $said : [];
        }
        $edits = [];
        [$before, $first, $later] = [self::edits($was), self::edits($one), self::edits($other)];
        foreach (array_keys($before + $first + $later) as $cell) {
            $label = ($this->cells->all()[$cell] ?? null)?->label() ?? $cell;
            $rule = $this->either("{$label} of output {$number}", $before[$cell] ?? null, $first[$cell] ?? null, $later[$cell] ?? null);
            if ($rule !== null) {
                $edits[$cell] = $rule;
            }
        }

        return $column + ['edits' => $edits];
    }

    private function either(string $name, mixed $was, mixed $one, mixed $other): mixed
    {
        if ($other == $was) {
            return $one;
        }
        if ($one != $was && $one != $other) {
            $this->told[] = "{$name} was changed in another window, too. What you set here stays.";
        }

        return $other;
    }

    /**
     * @param  array<string, mixed>  $sheet
     * @return array<string, array<mixed>>
     */
    private static function byKey(array $sheet): array
    {
        $outputs = [];
        foreach (is_array($sheet['outputs'] ?? null) ? $sheet['outputs'] : [] as $output) {
            if (is_array($output) && is_string($output['key'] ?? null)) {
                $outputs[$output['key']] = $output;
            }
        }

        return $outputs;
    }

    /**
     * @param  array<mixed>  $output
     * @return array<string, mixed>
     */
    private static function edits(array $output): array
    {
        $edits = [];
        foreach (is_array($output['edits'] ?? null) ? $output['edits'] : [] as $cell => $rule) {
            $edits[(string) $cell] = $rule;
        }

        return $edits;
    }
}
