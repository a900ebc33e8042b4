<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Sheet;

use OuterCrate\Planning\Cells\Cell;
use OuterCrate\Planning\Cells\Shape;

/** The schemas that are made of all cells: rules as presets say them, edits of a person, decided values. */
final readonly class Schemas
{
    public const ADDRESS = 'https://outer-crate.invalid/schema/';

    public function __construct(private Cells $cells)
    {
    }

    /** @return array<string, array<string, mixed>> documents by name: rules, edits, values, by-cell */
    public function documents(): array
    {
        $rules = array_map(static fn (Cell $cell): array => $cell->ruleSchema(), $this->cells->all());
        $values = array_map(static fn (Cell $cell): array => $cell->valueSchema(), $this->cells->all());
        $edits = [];
        $words = [];
        foreach (array_keys($rules) as $name) {
            $edits[$name] = ['oneOf' => [['type' => 'null'], ['$ref' => "rules.json#/properties/{$name}"]]];
            $words[$name] = ['type' => 'string'];
        }

        return [
            'rules' => $this->document('rules', 'Rules', 'Rules by cell, as presets and edits say them. A word, or named values.', $rules),
            'edits' => $this->document(
                'edits',
                'Edits',
                'What a person changed in an output: rules by cell; null takes the change of that cell back.',
                $edits,
            ),
            'values' => $this->document('values', 'Values', 'The decided values of an output, by cell.', $values, array_keys($values)),
            'words' => $this->document('words', 'Words', 'A text for each cell.', $words, array_keys($words)),
        ];
    }

    /**
     * @param  array<string, array<string, mixed>>  $properties
     * @param  list<string>  $required
     * @return array<string, mixed>
     */
    private function document(string $name, string $title, string $about, array $properties, array $required = []): array
    {
        return [
            '$schema' => 'https://json-schema.org/draft/2020-12/schema',
            '$id' => self::ADDRESS.$name.'.json',
            'title' => $title,
            'description' => $about,
        ] + Shape::object($properties, $required);
    }
}
