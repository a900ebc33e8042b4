<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Sheet;

use OuterCrate\Planning\Cells\Audio\AudioCell;
use OuterCrate\Planning\Cells\Bitrate\BitrateCell;
use OuterCrate\Planning\Cells\Cell;
use OuterCrate\Planning\Cells\Colour\ColourCell;
use OuterCrate\Planning\Cells\Container\ContainerCell;
use OuterCrate\Planning\Cells\File\FileCell;
use OuterCrate\Planning\Cells\FrameRate\FrameRateCell;
use OuterCrate\Planning\Cells\FrameSize\FrameSizeCell;
use OuterCrate\Planning\Cells\Keyframes\KeyframesCell;
use OuterCrate\Planning\Cells\Part;
use OuterCrate\Planning\Cells\Video\VideoCell;
use OuterCrate\Planning\Cells\Way;
use OuterCrate\Planning\Deciders;
use OuterCrate\Planning\Draft;
use OuterCrate\Presets\Rules;
use OutOfBoundsException;

/** The rows of the sheet, in their order. A new cell is a folder and a line here. */
final readonly class Cells implements Deciders
{
    /** @var array<string, Cell> */
    private array $cells;

    /** @param  list<Cell>|null  $cells  those of the product when null */
    public function __construct(?array $cells = null)
    {
        $named = [];
        foreach ($cells ?? self::shipped() as $cell) {
            $named[$cell->name()] = $cell;
        }
        $this->cells = $named;
    }

    /** @return list<Cell> */
    public static function shipped(): array
    {
        return [
            new ContainerCell,
            new VideoCell,
            new FrameSizeCell,
            new FrameRateCell,
            new BitrateCell,
            new KeyframesCell,
            new ColourCell,
            new AudioCell,
            new FileCell,
        ];
    }

    /** @return array<string, Cell> by name */
    public function all(): array
    {
        return $this->cells;
    }

    /** @return list<string> */
    public function names(): array
    {
        return array_keys($this->cells);
    }

    public function decide(string $cell, Draft $draft): void
    {
        $this->get($cell)->decide($draft);
    }

    public function settle(string $cell, Draft $draft): void
    {
        $this->get($cell)->settle($draft);
    }

    /** @throws OutOfBoundsException when there is none */
    public function get(string $name): Cell
    {
        return $this->cells[$name] ?? throw new OutOfBoundsException("The sheet has no row “{$name}”.");
    }

    /** Rules with others laid over them: named values are merged, a word replaces the whole rule. */
    public function merge(Rules $below, Rules $above): Rules
    {
        $merged = $below->rules;
        foreach ($above->rules as $cell => $edit) {
            if (is_array($edit)) {
                $rule = $merged[$cell] ?? [];
                $rule = is_string($rule) ? ['as' => $rule] : (array) $rule;
                foreach (($this->cells[$cell] ?? null)?->ways() ?? [] as $way) {
                    $rule = $way->under($rule, $edit);
                }
                $edit = array_replace($rule, $edit);
            }
            $merged[$cell] = $edit;
        }

        return new Rules($merged);
    }

    /** @return list<string> named values of its rule that no way of saying the rest replaces: a loudness stays under any codec */
    public function beside(Cell $cell): array
    {
        $replaced = array_merge(...array_map(static fn (Way $way): array => $way->all(), $cell->ways()));
        $named = array_map(static fn (Part $part): string => $part->key, $cell->parts(false));

        return $cell->ways() === [] ? [] : array_values(array_diff($named, $replaced));
    }
}
