<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Audio;

/** FLAC: RFC 9639. Lossless. */
final class Flac implements AudioCodec
{
    public function id(): string
    {
        return 'flac';
    }

    public function name(): string
    {
        return 'FLAC';
    }

    public function hasRate(): bool
    {
        return false;
    }

    public function sampleRates(): array
    {
        return [];
    }

    /** RFC 9639, 9.1.4, knows 32 as well; the engine codes up to 24. */
    public function bitDepths(): array
    {
        return [16, 24];
    }

    /** RFC 9639, 9.1.3. */
    public function mostChannels(): int
    {
        return 8;
    }

    /** About six tenths of the plain samples; noise takes more, speech less. */
    public function bitsPerSecond(?int $asked, int $sampleRate, int $channels, int $bitDepth): int
    {
        return (int) round($sampleRate * $channels * $bitDepth * 0.6);
    }
}
