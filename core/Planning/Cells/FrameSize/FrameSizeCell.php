<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\FrameSize;

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
use OuterCrate\Planning\Values\FrameSizeValue;
use OuterCrate\Reading\Reading;
use OuterCrate\Units\Fraction;

/** How large the frame is, and how the picture lies in it. */
final readonly class FrameSizeCell implements Cell, Explains
{
    use PlainCell;

    public const NAME = FrameSizeValue::CELL;

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

    /** @return array<mixed>|null */
    public function fixed(Plan $plan): ?array
    {
        $size = $plan->frameSize;
        $rule = array_diff_key($plan->rules->fields(self::NAME)->all(), array_flip(['follow', 'fit', 'step']));
        // Pixels of another shape, and odd sides, are only kept by following the cut.
        $isPlain = $size->sampleAspect->equals(new Fraction(1)) && $size->frame->even()->equals($size->frame);

        return $isPlain || isset($rule['exact']) ? ['exact' => (string) $size->frame] + $rule : null;
    }

    public function help(Plan $plan, int $bytes): Help
    {
        $frame = $plan->frameSize->frame;

        return new Help(
            'How many pixels each frame has. Fewer make a smaller file and a softer picture.',
            "{$frame}: ".round($frame->pixels() / 1_000_000, 2).' million pixels in each of '.number_format($plan->frames).' frames',
            'Enlarging invents no detail: it only takes bits, unless a host treats larger uploads better.',
        );
    }

    public function stored(Fields $value, Catalogue $catalogue): FrameSizeValue
    {
        return FrameSizeValue::fromArray($value);
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
