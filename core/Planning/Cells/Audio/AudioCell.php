<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\Audio;

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
use OuterCrate\Planning\Values\AudioValue;
use OuterCrate\Reading\Reading;
use OuterCrate\Units\ByteCount;

/** The audio of the file, or none. */
final readonly class AudioCell implements Cell, Explains
{
    use PlainCell;

    public const NAME = AudioValue::CELL;

    public function label(): string
    {
        return 'Audio';
    }

    public function isOfPicture(): bool
    {
        return false;
    }

    public function decide(Draft $draft): void
    {
        (new DecideAudio)->decide($draft);
    }

    public function ofCut(Reading $reading, string $file): string
    {
        return $reading->mainAudio()?->label() ?? 'none';
    }

    public function ofMade(Made $made, Fields $planned): string
    {
        return CompareAudio::found($made);
    }

    public function differences(Fields $planned, Made $made): array
    {
        return CompareAudio::differences($planned, $made);
    }

    public function asked(Asks $asks, Plan $plan): string
    {
        return $asks->audio?->words() ?? '';
    }

    public function choices(Catalogue $catalogue): array
    {
        return AudioChoices::all($catalogue);
    }

    public function parts(bool $hardware): array
    {
        return AudioChoices::parts();
    }

    public function ways(): array
    {
        return [
            new Way(['codec'], ['as', 'kbps', 'bitDepth', 'sampleRate', 'channels'], unlessSame: true),
            new Way(['as'], ['codec', 'kbps', 'bitDepth', 'sampleRate', 'channels']),
        ];
    }

    /** @return array<mixed>|string */
    public function fixed(Plan $plan): array|string
    {
        $audio = $plan->audio;
        if ($audio->codec === null) {
            return 'none';
        }

        return ['codec' => $audio->codec->id()]
            + ($audio->bitrate === null ? ['bitDepth' => $audio->bitDepth] : ['kbps' => $audio->bitrate->bitsPerSecond / 1000])
            + ['sampleRate' => $audio->sampleRate, 'channels' => $audio->channels]
            + array_diff_key($plan->rules->fields(self::NAME)->all(), ['as' => true]);
    }

    public function help(Plan $plan, int $bytes): Help
    {
        $audio = $plan->audio;
        $seconds = $plan->duration->toFloat();

        return new Help(
            'The sound: codec, bits, sample rate, channels and loudness. Little of the size, much of the impression.',
            match (true) {
                $audio->codec === null => 'No sound',
                $audio->bitrate === null => "{$audio->bitDepth}-bit, {$audio->channels} ".($audio->channels === 1 ? 'channel' : 'channels'),
                default => "{$audio->bitrate}: ".new ByteCount((int) round($audio->bitrate->bitsPerSecond * $seconds / 8)).' of the file',
            },
            'Hosts turn loud sound down, and seldom turn quiet sound up.',
        );
    }

    public function stored(Fields $value, Catalogue $catalogue): AudioValue
    {
        return AudioValue::fromArray($value, $catalogue);
    }

    public function ruleSchema(): array
    {
        return AudioSchema::rule();
    }

    public function valueSchema(): array
    {
        return AudioSchema::value();
    }
}
