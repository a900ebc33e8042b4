<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\Audio;

use OuterCrate\Formats\Audio\AudioCodec;
use OuterCrate\Json\Fields;
use OuterCrate\Planning\Draft;
use OuterCrate\Planning\OriginSource;
use OuterCrate\Planning\PlanImpossible;
use OuterCrate\Planning\Values\AudioValue;
use OuterCrate\Reading\AudioReading;
use OuterCrate\Units\Bitrate;

/** The first sound track, as the host asks, as the rule says, or uncompressed as it came. */
final class DecideAudio
{
    /** @throws PlanImpossible when the rule leads to no value */
    public function decide(Draft $draft): void
    {
        $cut = $draft->reading->mainAudio();
        if ($cut === null || $draft->rules->word('audio') === 'none') {
            $draft->decide(
                AudioCell::NAME,
                new AudioValue(null),
                $cut === null ? OriginSource::Cut : OriginSource::Preset,
                $cut === null ? 'the cut has none' : 'preset',
            );

            return;
        }
        $rule = $draft->rules->fields('audio');
        $asked = $draft->host?->asks->audio;
        $fromHost = $draft->rules->word('audio') === 'host' && $asked !== null;
        $follows = $draft->rules->word('audio') === 'follow';
        $id = $rule->text('codec') ?? ($draft->rules->word('audio') === 'follow' ? $this->uncompressed($draft) : $asked->codec ?? 'aac');
        $codec =
            $draft->catalogue->audioCodecs()[$id] ??
            throw new PlanImpossible(AudioCell::NAME, "The sound codec “{$id}” is not made here. Choose another one.");
        $lossy = $codec->hasRate();
        $sampleRate = $rule->int('sampleRate') ?? ($lossy && $asked !== null ? $asked->sampleRate : $cut->sampleRate);
        foreach ([$codec->sampleRates(), $draft->container()->container->sampleRates()] as $possible) {
            $sampleRate = $possible === [] || in_array($sampleRate, $possible, true) ? $sampleRate : 48_000;
        }
        // A preset states what its target carries; channels that the cut does not have are made up only for a person who asks.
        $most = $rule->int('channels') ?? ($lossy ? $asked->channels ?? 2 : 8);
        $most = $draft->isEdited(AudioCell::NAME, 'channels') ? $most : min($most, $codec->mostChannels());
        $channels = $draft->isEdited(AudioCell::NAME, 'channels') ? $most : min($most, $cut->channels);
        $headroom = $rule->float('headroom') ?? AudioValue::HEADROOM;
        if (! AudioSchema::headroom()->hold($headroom)) {
            $bounds = AudioSchema::headroom();
            throw new PlanImpossible(AudioCell::NAME, "The headroom of a mix lies between {$bounds} dB. Enter one in that range.");
        }
        // Every track keeps what it has, up to what is asked.
        $tracks =
            $rule->text('tracks') === 'all'
                ? array_map(static fn (AudioReading $track): int => min($most, $track->channels), $draft->reading->audio)
                : [$channels];
        $channels = $tracks[0] ?? $channels;
        $depth = $rule->int('bitDepth') ?? (($cut->bitDepth ?? 16) > 16 || ! $this->isPlain($cut) ? 24 : 16);
        foreach ([$codec->bitDepths(), $draft->container()->container->bitDepths()] as $possible) {
            $depth = $possible === [] ? $depth : min($depth, max($possible));
        }
        $value = new AudioValue(
            codec: $codec,
            bitrate: $lossy ? $this->bitrate($codec, $rule, $asked?->bitrate, $sampleRate, $channels) : null,
            sampleRate: $sampleRate,
            channels: $channels,
            bitDepth: $depth,
            tracks: $tracks,
            levelling: Levels::of($draft, $rule, $channels, $headroom),
            headroom: $headroom,
        );
        $draft->decide(
            AudioCell::NAME,
            $value,
            $fromHost ? OriginSource::Host : ($follows ? OriginSource::Cut : OriginSource::Preset),
            match (true) {
                $channels < $cut->channels => "{$cut->channels} channels mixed down to {$channels}",
                $fromHost => "asks {$asked->bitrate}",
                default => $follows ? 'follows' : 'preset',
            },
        );
    }

    private function uncompressed(Draft $draft): string
    {
        $carried = $draft->container()->container->audioCodecs();

        return array_values(array_intersect(['pcm', 'flac', 'alac'], $carried))[0] ?? ($carried[0] ?? 'pcm');
    }

    private function bitrate(AudioCodec $codec, Fields $rule, ?Bitrate $asked, int $sampleRate, int $channels): Bitrate
    {
        $kilobits = $rule->int('kbps');
        if ($kilobits !== null && ! AudioSchema::kilobits()->hold($kilobits)) {
            throw new PlanImpossible(
                AudioCell::NAME,
                'The bitrate of audio lies between '.AudioSchema::kilobits()." kb/s, not at {$kilobits} kb/s.",
            );
        }
        $wanted =
            $kilobits === null
                ? $asked ?? new Bitrate($codec->bitsPerSecond(null, $sampleRate, $channels, 16))
                : Bitrate::kilobits($kilobits);
        // ISO/IEC 14496-3, 4.5.3: at most 6144 bits for a channel in each frame of 1024 samples.
        $most = intdiv(6 * $sampleRate * $channels, 1000) * 1000;

        return new Bitrate(min($wanted->bitsPerSecond, $most));
    }

    private function isPlain(AudioReading $cut): bool
    {
        return str_starts_with($cut->codec, 'pcm_') || in_array($cut->codec, ['flac', 'alac'], true);
    }
}
