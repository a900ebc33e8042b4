<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Values;

use OuterCrate\Formats\Audio\AudioCodec;
use OuterCrate\Reading\AudioReading;
use OuterCrate\Units\Bitrate;

/** The sound, or none. */
final readonly class SoundValue implements Value
{
    /**
     * @param  AudioCodec|null  $codec  null for no sound
     * @param  Bitrate|null  $bitrate  what is asked of the codec; null where it sets its own
     * @param  int  $sampleRate  in Hz
     * @param  int  $bitDepth  bits per sample for PCM and FLAC
     */
    public function __construct(
        public ?AudioCodec $codec,
        public ?Bitrate $bitrate = null,
        public int $sampleRate = 48000,
        public int $channels = 2,
        public int $bitDepth = 24,
    ) {
    }

    /** Bits per second it takes in the file; 0 for none. */
    public function bitsPerSecond(): int
    {
        return $this->codec?->bitsPerSecond($this->bitrate?->bitsPerSecond, $this->sampleRate, $this->channels, $this->bitDepth) ?? 0;
    }

    public function label(): string
    {
        if ($this->codec === null) {
            return 'none';
        }
        $detail = $this->codec->hasRate() ? (string) $this->bitrate : (string) $this->bitDepth;

        return "{$this->codec->name()} {$detail} · ".AudioReading::kilohertz($this->sampleRate);
    }

    public function toArray(): array
    {
        return [
            'label' => $this->label(),
            'codec' => $this->codec?->id(),
            'bitrate' => $this->bitrate?->bitsPerSecond,
            'sampleRate' => $this->codec === null ? null : $this->sampleRate,
            'channels' => $this->codec === null ? null : $this->channels,
            'bitDepth' => $this->codec === null || $this->codec->hasRate() ? null : $this->bitDepth,
        ];
    }
}
