<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\Colour;

use OuterCrate\Formats\Catalogue;
use OuterCrate\Formats\Picture\ColourSpace;
use OuterCrate\Hosts\Asks\Asks;
use OuterCrate\Json\Fields;
use OuterCrate\Planning\Cells\Cell;
use OuterCrate\Planning\Cells\Explains;
use OuterCrate\Planning\Cells\Help;
use OuterCrate\Planning\Cells\PlainCell;
use OuterCrate\Planning\Draft;
use OuterCrate\Planning\Made;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Values\ColourValue;
use OuterCrate\Reading\Reading;

/** Colour tags, sampling and depth. */
final readonly class ColourCell implements Cell, Explains
{
    use PlainCell;

    public const NAME = ColourValue::CELL;

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

    /** @return array<mixed> */
    public function fixed(Plan $plan): array
    {
        $value = $plan->colour;
        $chroma = $value->pixelFormat->chroma->value;
        $space = ColourSpace::of($value->colour);

        return ($space === null ? [] : ['convert' => $space->value])
            + (in_array($value->pixelFormat->bitDepth, ColourSchema::DEPTHS, true) ? ['bitDepth' => $value->pixelFormat->bitDepth] : [])
            + (in_array($chroma, ColourSchema::CHROMAS, true) ? ['chroma' => $chroma] : [])
            + array_diff_key($plan->rules->fields(self::NAME)->all(), ['as' => true]);
    }

    public function help(Plan $plan, int $bytes): Help
    {
        $bits = $plan->colour->pixelFormat->bitDepth;

        return new Help(
            'Which colours the numbers mean, in how many steps, and how finely colour is kept beside brightness.',
            "{$bits} bits: ".number_format(2 ** $bits).' steps from black to white, '.$plan->colour->pixelFormat->chroma->value,
            'Wrong tags shift every colour; few steps show bands in skies and glow.',
        );
    }

    public function stored(Fields $value, Catalogue $catalogue): ColourValue
    {
        return ColourValue::fromArray($value);
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
