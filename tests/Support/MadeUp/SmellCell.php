<?php

declare(strict_types=1);

namespace Tests\Support\MadeUp;

use OuterCrate\Formats\Catalogue;
use OuterCrate\Hosts\Asks\Asks;
use OuterCrate\Json\Fields;
use OuterCrate\Json\MissingPart;
use OuterCrate\Planning\Cells\Bounds;
use OuterCrate\Planning\Cells\Cell;
use OuterCrate\Planning\Cells\Choice;
use OuterCrate\Planning\Cells\Part;
use OuterCrate\Planning\Cells\PlainCell;
use OuterCrate\Planning\Cells\Shape;
use OuterCrate\Planning\Cells\Way;
use OuterCrate\Planning\Difference;
use OuterCrate\Planning\Draft;
use OuterCrate\Planning\Made;
use OuterCrate\Planning\OriginSource;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\PlanImpossible;
use OuterCrate\Reading\Reading;

/** A row that the sheet does not have: how strongly the kiln smells. All that there is of it lies in this folder. */
final readonly class SmellCell implements Cell
{
    use PlainCell;

    public const NAME = 'smell';

    public static function strength(): Bounds
    {
        return new Bounds(0, 10, 1);
    }

    public function label(): string
    {
        return 'Smell';
    }

    public function decide(Draft $draft): void
    {
        $strength = $draft->rules->fields(self::NAME)->float('strength');
        if ($strength !== null && ! self::strength()->hold($strength)) {
            throw new PlanImpossible(self::NAME, 'A smell has a strength of '.self::strength().", not of {$strength}.");
        }
        // It depends on another cell, which is decided first by itself.
        $draft->decide(
            self::NAME,
            new SmellValue($strength ?? ($draft->frameRate()->rate->label() === '25' ? 3.0 : 4.0)),
            OriginSource::Rule,
            'by its frame rate',
        );
    }

    public function asked(Asks $asks, Plan $plan): string
    {
        return 'no smoke';
    }

    public function ofCut(Reading $reading, string $file): string
    {
        return 'clay';
    }

    public function ofMade(Made $made, Fields $planned): string
    {
        return 'smoke';
    }

    public function differences(Fields $planned, Made $made): array
    {
        return [new Difference(self::NAME, (string) $planned->text('label'), 'smoke', 'It smells of smoke.')];
    }

    public function choices(Catalogue $catalogue): array
    {
        return [new Choice('Faint', '', ['strength' => 1])];
    }

    public function parts(bool $hardware): array
    {
        return [Part::number('strength', 'Strength', '', self::strength())];
    }

    public function ways(): array
    {
        return [new Way(['strength', 'as'])];
    }

    public function stored(Fields $value, Catalogue $catalogue): SmellValue
    {
        return new SmellValue($value->float('strength') ?? throw new MissingPart('strength'));
    }

    public function ruleSchema(): array
    {
        return Shape::object(['strength' => Shape::figure(self::strength()), 'as' => Shape::words(['host'])]);
    }

    public function valueSchema(): array
    {
        return Shape::value(['strength' => Shape::number()]);
    }
}
