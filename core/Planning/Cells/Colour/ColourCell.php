<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\Colour;

use OuterCrate\Formats\Catalogue;
use OuterCrate\Hosts\Asks;
use OuterCrate\Json\Fields;
use OuterCrate\Planning\Cells\Cell;
use OuterCrate\Planning\Cells\PlainCell;
use OuterCrate\Planning\Draft;
use OuterCrate\Planning\Made;
use OuterCrate\Planning\Plan;
use OuterCrate\Reading\Reading;

/** Colour tags, sampling and depth. */
final readonly class ColourCell implements Cell
{
    use PlainCell;

    public const NAME = 'colour';

    public function label(): string
    {
        return 'Colour';
    }

    public function decide(Draft $draft): void
    {
        (new DecideColour)->decide($draft);
    }

    public function ofCut(Reading $reading, string $file): string
    {
        return CompareColour::words($reading->mainVideo());
    }

    public function ofMade(Made $made, Fields $planned): string
    {
        return CompareColour::found($made);
    }

    public function differences(Fields $planned, Made $made): array
    {
        return CompareColour::differences($planned, $made);
    }

    public function asked(Asks $asks, Plan $plan): string
    {
        return $asks->colour->words();
    }

    public function choices(Catalogue $catalogue): array
    {
        return ColourChoices::all();
    }

    public function parts(bool $hardware): array
    {
        return ColourChoices::parts();
    }

    public function ruleSchema(): array
    {
        return ColourSchema::rule();
    }

    public function valueSchema(): array
    {
        return ColourSchema::value();
    }
}
