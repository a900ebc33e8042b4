<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\FrameSize;

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

/** How large the frame is, and how the picture lies in it. */
final readonly class FrameSizeCell implements Cell
{
    use PlainCell;

    public const NAME = 'frameSize';

    public function label(): string
    {
        return 'Frame size';
    }

    public function decide(Draft $draft): void
    {
        (new DecideFrameSize)->decide($draft);
    }

    public function ofCut(Reading $reading, string $file): string
    {
        return CompareFrameSize::words($reading->mainVideo());
    }

    public function ofMade(Made $made, Fields $planned): string
    {
        return CompareFrameSize::found($made);
    }

    public function differences(Fields $planned, Made $made): array
    {
        return CompareFrameSize::differences($planned, $made);
    }

    public function asked(Asks $asks, Plan $plan): string
    {
        return $asks->frame->words();
    }

    public function choices(Catalogue $catalogue): array
    {
        return FrameSizeChoices::all();
    }

    public function parts(bool $hardware): array
    {
        return FrameSizeChoices::parts();
    }

    public function ways(): array
    {
        return [new Way(['follow', 'fit', 'exact', 'step'], ['shape', 'display'])];
    }

    public function ruleSchema(): array
    {
        return FrameSizeSchema::rule();
    }

    public function valueSchema(): array
    {
        return FrameSizeSchema::value();
    }
}
