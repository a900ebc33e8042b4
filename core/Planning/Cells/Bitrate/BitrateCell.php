<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\Bitrate;

use OuterCrate\Hosts\Asks;
use OuterCrate\Json\Fields;
use OuterCrate\Planning\Cells\Cell;
use OuterCrate\Planning\Cells\PlainCell;
use OuterCrate\Planning\Draft;
use OuterCrate\Planning\Made;
use OuterCrate\Planning\Plan;
use OuterCrate\Reading\Reading;

/** How bits are spent on the picture. */
final readonly class BitrateCell implements Cell
{
    use PlainCell;

    public const NAME = 'bitrate';

    public function label(): string
    {
        return 'Bitrate';
    }

    public function decide(Draft $draft): void
    {
        (new DecideBitrate)->decide($draft);
    }

    /** The level, which limits the buffer, is known only now. */
    public function settle(Draft $draft): void
    {
        $draft->refine(self::NAME, (new DecideBuffer)->of($draft, $draft->bitrate()));
    }

    public function ofCut(Reading $reading, string $file): string
    {
        return (string) ($reading->mainVideo()->bitrate ?? $reading->videoBitrate());
    }

    public function ofMade(Made $made, Fields $planned): string
    {
        return CompareBitrate::found($made, $planned);
    }

    public function differences(Fields $planned, Made $made): array
    {
        return CompareBitrate::differences($planned, $made);
    }

    public function asked(Asks $asks, Plan $plan): string
    {
        return $asks->bitrate->wordsFor($plan->frameSize->frame, $plan->frameRate->rate, $plan->colour->colour->isHdr());
    }

    public function ruleSchema(): array
    {
        return BitrateSchema::rule();
    }

    public function valueSchema(): array
    {
        return BitrateSchema::value();
    }
}
