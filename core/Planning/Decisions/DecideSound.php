<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Decisions;

use InvalidArgumentException;
use OuterCrate\Formats\Audio\AudioCodec;
use OuterCrate\Json\Fields;
use OuterCrate\Planning\Cell;
use OuterCrate\Planning\Draft;
use OuterCrate\Planning\OriginSource;
use OuterCrate\Planning\PlanImpossible;
use OuterCrate\Planning\Values\SoundValue;
use OuterCrate\Reading\AudioReading;
use OuterCrate\Units\Bitrate;

/** The first sound track, as the host asks, as the rule says, or uncompressed as it came. */
final class DecideSound implements Decision
{
    public function cell(): Cell
    {
        return Cell::Sound;
    }

    public function decide(Draft $draft): void
    {
        $cut = $draft->reading->mainAudio();
        if ($cut === null || $draft->rules->word('sound') === 'none') {
            $draft->decide(Cell::Sound, new SoundValue(null), $cut === null ? OriginSource::Cut : OriginSource::Preset, $cut === null ? 'the cut has none' : 'preset');

            return;
        }
        $rule = $draft->rules->fields('sound');
        $asked = $draft->host?->asks->sound;
        $fromHost = $draft->rules->word('sound') === 'host' && $asked !== null;
        $follows = $draft->rules->word('sound') === 'follow';
        $id = $rule->text('codec') ?? ($draft->rules->word('sound') === 'follow' ? $this->uncompressed($draft) : $asked['codec'] ?? 'aac');
        $codec = $draft->catalogue->audioCodecs()[$id] ?? throw new PlanImpossible(Cell::Sound, "The sound codec “{$id}” is not made here. Choose another one.");
        $lossy = $codec->hasRate();
        $sampleRate = $rule->int('sampleRate') ?? ($lossy && $asked !== null ? $asked['sampleRate'] : $cut->sampleRate);
        if ($codec->sampleRates() !== [] && ! in_array($sampleRate, $codec->sampleRates(), true)) {
            $sampleRate = 48_000;
        }
        $most = $rule->int('channels') ?? ($lossy ? $asked['channels'] ?? 2 : 8);
        $channels = $rule->int('channels') ?? min($most, $cut->channels);
        // Every track keeps what it has, up to what is asked.
        $tracks = $rule->text('tracks') === 'all' ? array_map(static fn (AudioReading $track): int => min($most, $track->channels), $draft->reading->audio) : [$channels];
        $channels = $tracks[0] ?? $channels;
        $depth = $rule->int('bitDepth') ?? (($cut->bitDepth ?? 16) > 16 || ! $this->isPlain($cut) ? 24 : 16);
        $value = new SoundValue(
            $codec, $lossy ? $this->bitrate($codec, $rule, $asked['bitrate'] ?? null, $sampleRate, $channels) : null, $sampleRate, $channels, $depth, $tracks,
            Levels::of($draft, $rule),
        );
        $draft->decide(
            Cell::Sound,
            $value,
            $fromHost ? OriginSource::Host : ($follows ? OriginSource::Cut : OriginSource::Preset),
            match (true) {
                $channels < $cut->channels => "{$cut->channels} channels mixed down to {$channels}",
                $fromHost => "asks {$asked['bitrate']}",
                default => $follows ? 'follows' : 'preset',
            },
        );
    }

    private function uncompressed(Draft $draft): string
    {
        $carried = $draft->container()->container->audioCodecs();

        return array_values(array_intersect(['pcm', 'flac', 'alac'], $carried))[0] ?? $carried[0] ?? 'pcm';
    }

    private function bitrate(AudioCodec $codec, Fields $rule, ?Bitrate $asked, int $sampleRate, int $channels): Bitrate
    {
        try {
            $wanted = $rule->has('kbps') ? Bitrate::kilobits($rule->int('kbps') ?? 0) : $asked ?? new Bitrate($codec->bitsPerSecond(null, $sampleRate, $channels, 16));
        } catch (InvalidArgumentException $e) {
            throw new PlanImpossible(Cell::Sound, $e->getMessage());
        }
        // ISO/IEC 14496-3, 4.5.3: at most 6144 bits for a channel in each frame of 1024 samples.
        $most = intdiv(6 * $sampleRate * $channels, 1000) * 1000;

        return new Bitrate(min($wanted->bitsPerSecond, $most));
    }

    private function isPlain(AudioReading $cut): bool
    {
        return str_starts_with($cut->codec, 'pcm_') || in_array($cut->codec, ['flac', 'alac'], true);
    }
}
