<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\Keyframes;

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
use OuterCrate\Planning\Values\KeyframesValue;
use OuterCrate\Reading\Reading;

/** How often a frame stands by itself, and what lies between. */
final readonly class KeyframesCell implements Cell, Explains
{
    use PlainCell;

    public const NAME = KeyframesValue::CELL;

    public function label(): string
    {
        return 'Keyframes';
    }

    public function decide(Draft $draft): void
    {
        (new DecideKeyframes)->decide($draft);
    }

    public function ofCut(Reading $reading, string $file): string
    {
        $video = $reading->mainVideo();

        return $video === null ? '' : $video->gop?->label($video->frameRate) ?? '';
    }

    public function ofMade(Made $made, Fields $planned): string
    {
        return CompareKeyframes::found($made);
    }

    public function differences(Fields $planned, Made $made): array
    {
        return CompareKeyframes::differences($planned, $made);
    }

    public function asked(Asks $asks, Plan $plan): string
    {
        return $asks->keyframes->words();
    }

    public function choices(Catalogue $catalogue): array
    {
        return KeyframesChoices::all();
    }

    public function parts(bool $hardware): array
    {
        return KeyframesChoices::parts();
    }

    public function ways(): array
    {
        return [new Way(['seconds', 'frames'])];
    }

    /** @return array<mixed>|string */
    public function fixed(Plan $plan): array|string
    {
        $value = $plan->keyframes;
        if ($plan->video->codec->isIntraOnly()) {
            return 'intra';
        }

        return ['frames' => $value->frames, 'closed' => $value->closed, 'bFrames' => $value->bFrames, 'pyramid' => $value->pyramid]
            + ($value->references === null ? [] : ['references' => $value->references]) + ['sceneCuts' => $value->sceneCuts];
    }

    public function help(Plan $plan, int $bytes): Help
    {
        $frames = max(1, $plan->keyframes->frames);
        $all = number_format($plan->frames);
        $count = intdiv($plan->frames + $frames - 1, $frames);

        return new Help(
            'How often a frame stands by itself. Players jump to these; those between only say what changed.',
            $frames === 1 ? "Every frame: {$all}" : "Every {$frames} frames: about {$count} in {$all}",
            'Far apart, jumping is slow. Close together, the same bits buy a worse picture.',
        );
    }

    public function stored(Fields $value, Catalogue $catalogue): KeyframesValue
    {
        return KeyframesValue::fromArray($value);
    }

    public function ruleSchema(): array
    {
        return KeyframesSchema::rule();
    }

    public function valueSchema(): array
    {
        return KeyframesSchema::value();
    }
}
