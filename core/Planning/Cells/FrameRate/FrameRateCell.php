<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\FrameRate;

use OuterCrate\Formats\Catalogue;
use OuterCrate\Hosts\Asks\Asks;
use OuterCrate\Json\Fields;
use OuterCrate\Planning\Cells\Cell;
use OuterCrate\Planning\Cells\Explains;
use OuterCrate\Planning\Cells\Help;
use OuterCrate\Planning\Cells\PlainCell;
use OuterCrate\Planning\Cells\Way;
use OuterCrate\Planning\Draft;
use OuterCrate\Planning\Made;
use OuterCrate\Planning\Plan;
use OuterCrate\Planning\Values\FrameRateValue;
use OuterCrate\Reading\Reading;

/** How many frames a second, and whether they are whole. */
final readonly class FrameRateCell implements Cell, Explains
{
    use PlainCell;

    public const NAME = FrameRateValue::CELL;

    public function label(): string
    {
        return 'Frame rate';
    }

    public function decide(Draft $draft): void
    {
        (new DecideFrameRate)->decide($draft);
    }

    public function ofCut(Reading $reading, string $file): string
    {
        return CompareFrameRate::words($reading->mainVideo());
    }

    public function ofMade(Made $made, Fields $planned): string
    {
        return CompareFrameRate::found($made);
    }

    public function differences(Fields $planned, Made $made): array
    {
        return CompareFrameRate::differences($planned, $made);
    }

    public function asked(Asks $asks, Plan $plan): string
    {
        return $asks->frameRate->wordsFor($plan->frameSize->frame->shorterSide());
    }

    public function choices(Catalogue $catalogue): array
    {
        return FrameRateChoices::all();
    }

    public function parts(bool $hardware): array
    {
        return FrameRateChoices::parts();
    }

    public function ways(): array
    {
        return [new Way(['as', 'exact', 'atLeast', 'halve'])];
    }

    /** @return array<mixed> */
    public function fixed(Plan $plan): array
    {
        return ['exact' => (string) $plan->frameRate->rate->perSecond]
            + array_diff_key($plan->rules->fields(self::NAME)->all(), array_flip(['as', 'atLeast', 'halve', 'exact']));
    }

    public function help(Plan $plan, int $bytes): Help
    {
        return new Help(
            'How many frames pass in a second. At another rate than the cut’s, frames are repeated, dropped or mixed.',
            "{$plan->frameRate->rate->label()} fps: ".number_format($plan->frames).' frames to code',
            'Uneven repeats judder whenever the camera moves, and twice the frames take nearly twice as long.',
        );
    }

    public function stored(Fields $value, Catalogue $catalogue): FrameRateValue
    {
        return FrameRateValue::fromArray($value);
    }

    public function ruleSchema(): array
    {
        return FrameRateSchema::rule();
    }

    public function valueSchema(): array
    {
        return FrameRateSchema::value();
    }
}
