<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\Audio;

use OuterCrate\Json\Fields;
use OuterCrate\Planning\Difference;
use OuterCrate\Planning\Made;

/** The audio of a finished file against the plan. */
final class CompareAudio
{
    public static function found(Made $made): string
    {
        return $made->reading->mainAudio()?->label() ?? 'none';
    }

    /** @return list<Difference> */
    public static function differences(Fields $planned, Made $made): array
    {
        $audio = $made->reading->mainAudio();
        $there = count($made->reading->audio);
        $tracks = $planned->int('trackCount') ?? $there;
        if ($tracks !== $there) {
            return [new Difference(
                AudioCell::NAME,
                "{$tracks} tracks",
                "{$there} tracks",
                "{$tracks} audio tracks were planned and {$there} are there.",
            )];
        }
        $codec = $audio === null ? null : ($audio->codecName === 'PCM' ? 'pcm' : $audio->codec);
        $same = $planned->text('codec') === $codec && ($audio === null
            || ($planned->int('sampleRate') === $audio->sampleRate && $planned->int('channels') === $audio->channels));
        $found = self::found($made);

        return $same ? [] : [new Difference(AudioCell::NAME, $planned->text('label') ?? 'none', $found, "The audio came out as {$found}.")];
    }
}
