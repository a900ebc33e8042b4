<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\Audio;

use OuterCrate\Formats\Audio\AudioCodec;
use OuterCrate\Formats\Catalogue;
use OuterCrate\Planning\Cells\Choice;
use OuterCrate\Planning\Cells\Part;

/** The usual ways to code the audio, and every part of them. */
final class AudioChoices
{
    /** Usual bitrates, in kb/s. */
    private const KILOBITS = [128, 160, 192, 256, 320];

    private const DEPTHS = [16, 24];

    /** @return list<Choice> */
    public static function all(Catalogue $catalogue): array
    {
        $choices = [
            new Choice('Follow', 'Uncompressed, as the cut has it', 'follow'),
            new Choice('As the host asks', 'Codec, bitrate and sample rate; AAC where it says nothing', 'host'),
        ];
        $choices[] = new Choice('None', 'A silent file', 'none');
        foreach ($catalogue->audioCodecs() as $codec) {
            foreach ($codec->hasRate() ? self::KILOBITS : self::DEPTHS as $figure) {
                $choices[] = self::of($codec, $figure);
            }
        }
        $order = array_flip(['', 'Lossy', 'Lossless', 'Uncompressed']);
        usort($choices, static fn (Choice $a, Choice $b): int => $order[$a->group] <=> $order[$b->group]);

        return $choices;
    }

    /** @return list<Part> */
    public static function parts(): array
    {
        return [
            Part::number('kbps', 'Bitrate', 'kb/s', AudioSchema::kilobits()),
            Part::options('sampleRate', 'Sample rate', [
                'As the cut' => null,
                '44.1 kHz' => 44_100,
                '48 kHz' => 48_000,
                '96 kHz' => 96_000,
            ]),
            Part::options('channels', 'Channels', ['As the cut' => null, 'Mono' => 1, 'Stereo' => 2, '5.1' => 6]),
            Part::number('headroom', 'Headroom of a mix', 'dB', AudioSchema::headroom()),
            Part::options('tracks', 'Tracks', ['First' => 'first', 'All' => 'all']),
            Part::number('loudness', 'Loudness', 'LUFS', AudioSchema::loudness(), 'Empty leaves the level alone'),
            Part::number('truePeak', 'Peak at most', 'dBTP', AudioSchema::truePeak()),
        ];
    }

    private static function of(AudioCodec $codec, int $figure): Choice
    {
        return $codec->hasRate()
            ? new Choice("{$codec->name()} {$figure} kb/s", '', ['codec' => $codec->id(), 'kbps' => $figure], 'Lossy')
            : new Choice(
                "{$codec->name()} {$figure}-bit",
                $codec->id() === 'pcm' ? 'Every sample as it is' : 'Every sample, in a smaller file',
                ['codec' => $codec->id(), 'bitDepth' => $figure],
                $codec->id() === 'pcm' ? 'Uncompressed' : 'Lossless',
            );
    }
}
