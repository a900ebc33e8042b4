<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\Audio;

use OuterCrate\Json\Fields;
use OuterCrate\Planning\Difference;
use OuterCrate\Planning\Made;
use OuterCrate\Planning\Values\Levelling;
use OuterCrate\Units\Bitrate;

/** The audio of a finished file against the plan. */
final class CompareAudio
{
    /** Share of what is asked by which the rate of sound may be off without a word; its encoders keep no exact rate. */
    private const NEAR = 0.1;

    /** Milliseconds by which sound may move against the picture: less than is heard. */
    public const IN_STEP = 5.0;

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

        return $same
            ? [...self::depth($planned, $made), ...self::rate($planned, $made), ...self::level($planned, $made), ...self::step($made)]
            : [new Difference(AudioCell::NAME, $planned->text('label') ?? 'none', $found, "The audio came out as {$found}.")];
    }

    /** @return list<Difference> */
    private static function depth(Fields $planned, Made $made): array
    {
        [$asked, $came] = [$planned->int('bitDepth'), $made->reading->mainAudio()?->bitDepth];

        return $asked === null || $came === null || $asked === $came
            ? []
            : [new Difference(AudioCell::NAME, "{$asked}-bit", "{$came}-bit", "The samples came out with {$came} bits for {$asked}.")];
    }

    /** @return list<Difference> */
    private static function step(Made $made): array
    {
        $lag = $made->ends->lag ?? 0.0;
        $ms = round(abs($lag)).' ms '.($lag > 0 ? 'late' : 'early');

        return abs($lag) <= self::IN_STEP
            ? []
            : [new Difference(AudioCell::NAME, 'in step', $ms, "The sound comes {$ms} against the picture.")];
    }

    /** @return list<Difference> */
    private static function rate(Fields $planned, Made $made): array
    {
        $asked = $planned->int('bitrate');
        $tracks = max(1, count($made->reading->audio));
        if ($asked === null || $made->tally->audioBytes === 0) {
            return [];
        }
        $asked = new Bitrate($asked);
        $got = Bitrate::ofBytes(intdiv($made->tally->audioBytes, $tracks), $made->reading->duration);
        if (abs($got->bitsPerSecond / $asked->bitsPerSecond - 1) <= self::NEAR) {
            return [];
        }
        $text = $asked->isAbove($got)
            ? "The sound came to {$got} of the {$asked} asked: its encoder spends no more on what it can code as well with less."
            : "The sound runs at {$got}, over the {$asked} asked: its encoder found it hard to code.";

        return [new Difference(AudioCell::NAME, (string) $asked, (string) $got, $text, true)];
    }

    /**
     * Loudness and peak against what was promised, codec and all.
     *
     * @return list<Difference>
     */
    private static function level(Fields $planned, Made $made): array
    {
        [$target, $ceiling, $level] = [$planned->float('loudness'), $planned->float('truePeak'), $made->level];
        if ($target === null || $level?->integrated === null) {
            return [];
        }
        $loudness = Levelling::signed(round($level->integrated, 1));
        $differences = [];
        if (abs($level->integrated - $target) > Levelling::NEAR) {
            $asked = Levelling::signed($target);
            $text = "The sound came out at {$loudness} LUFS and was to have {$asked}.";
            $differences[] = new Difference(AudioCell::NAME, "{$asked} LUFS", "{$loudness} LUFS", $text);
        }
        if ($ceiling !== null && $level->truePeak !== null && round($level->truePeak, 1) > $ceiling) {
            [$most, $peak] = [Levelling::signed($ceiling), Levelling::signed($level->truePeak)];
            $text = "Peaks of the sound reach {$peak} dBTP and were to stay under {$most}.";
            $differences[] = new Difference(AudioCell::NAME, "{$most} dBTP", "{$peak} dBTP", $text);
        }

        return $differences;
    }
}
