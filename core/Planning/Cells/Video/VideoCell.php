<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\Video;

use OuterCrate\Formats\Catalogue;
use OuterCrate\Formats\Video\LevelNeeds;
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
use OuterCrate\Planning\Values\VideoValue;
use OuterCrate\Reading\Reading;
use OuterCrate\Units\ByteCount;

/** Codec, profile, level and effort; whether there is a picture at all. */
final readonly class VideoCell implements Cell, Explains
{
    use PlainCell;

    public const NAME = VideoValue::CELL;

    public function label(): string
    {
        return 'Video codec';
    }

    public function isOfPicture(): bool
    {
        return false;
    }

    public function decide(Draft $draft): void
    {
        (new DecideVideo)->decide($draft);
    }

    public function ofCut(Reading $reading, string $file): string
    {
        return $reading->mainVideo()?->label() ?? 'none';
    }

    public function ofMade(Made $made, Fields $planned): string
    {
        return CompareVideo::found($made);
    }

    public function differences(Fields $planned, Made $made): array
    {
        return [...CompareVideo::differences($planned, $made), ...CompareDecoded::differences($made)];
    }

    /** The lowest level that holds, unless one is fixed; a check looks whether that one holds. */
    public function settle(Draft $draft): void
    {
        $video = $draft->video();
        if ($video->level === null) {
            $bitrate = $draft->bitrate();
            $needs = new LevelNeeds(
                $draft->frameSize()->frame,
                $draft->frameRate()->rate,
                $bitrate->peak ?? $bitrate->average,
                $draft->keyframes()->references ?? 0,
            );
            $draft->refine(self::NAME, $video->atLevel($video->codec->level($video->profile, $needs)));
        }
    }

    public function asked(Asks $asks, Plan $plan): string
    {
        return $asks->codecFor($plan->frameSize->frame->width)?->words() ?? '';
    }

    public function choices(Catalogue $catalogue): array
    {
        return VideoChoices::all($catalogue);
    }

    public function parts(bool $hardware): array
    {
        return VideoChoices::parts($hardware);
    }

    public function ways(): array
    {
        return [
            new Way(['codec'], ['as', 'profile', 'level', 'tune', 'effort', 'device'], unlessSame: true),
            new Way(['as'], ['codec', 'profile', 'level', 'tune']),
        ];
    }

    /** @return array<mixed>|string */
    public function fixed(Plan $plan): array|string
    {
        if (! $plan->hasVideo()) {
            return 'none';
        }
        $video = $plan->video;

        return ['codec' => $video->codec->id()] + ($video->profile === null ? [] : ['profile' => $video->profile])
            + ['effort' => $video->effort] + array_diff_key($plan->rules->fields(self::NAME)->all(), ['as' => true]);
    }

    public function help(Plan $plan, int $bytes): Help
    {
        return new Help(
            'How the picture is written down. Delivery codecs keep only what changes from frame to frame: small, slow to edit. '
                .'Editing codecs keep every frame whole.',
            $plan->video->name().', about '.new ByteCount($bytes),
            'Old players do not know new codecs, and more effort takes longer for a few per cent less.',
        );
    }

    public function stored(Fields $value, Catalogue $catalogue): VideoValue
    {
        return VideoValue::fromArray($value, $catalogue);
    }

    public function ruleSchema(): array
    {
        return VideoSchema::rule();
    }

    public function valueSchema(): array
    {
        return VideoSchema::value();
    }
}
