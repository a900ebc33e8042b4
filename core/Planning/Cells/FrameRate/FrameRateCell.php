<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\FrameRate;

use OuterCrate\Formats\Catalogue;
use OuterCrate\Hosts\Asks;
use OuterCrate\Json\Fields;
use OuterCrate\Planning\Cells\Cell;
use OuterCrate\Planning\Cells\PlainCell;
use OuterCrate\Planning\Cells\Way;
use OuterCrate\Planning\Draft;
use OuterCrate\Planning\Made;
use OuterCrate\Planning\Plan;
use OuterCrate\Reading\Reading;

/** How many frames a second, and whether they are whole. */
final readonly class FrameRateCell implements Cell
{
    use PlainCell;

    public const NAME = 'frameRate';

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

    public function ruleSchema(): array
    {
        return FrameRateSchema::rule();
    }

    public function valueSchema(): array
    {
        return FrameRateSchema::value();
    }
}
