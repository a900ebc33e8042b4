<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Audio;

/** ALAC, a lossless codec. */
final class Alac implements AudioCodec
{
    public function id(): string
    {
        return 'alac';
    }

    public function name(): string
    {
        return 'ALAC';
    }

    public function hasRate(): bool
    {
        return false;
    }

    public function sampleRates(): array
    {
        return [];
    }

    /** Its format knows 20 and 32 as well; the engine codes these. */
    public function bitDepths(): array
    {
        return [16, 24];
    }

    /** A little over six tenths of the plain samples; noise takes more, speech less. */
    public function mostChannels(): int
    {
        return 8;
    }

    public function bitsPerSecond(?int $asked, int $sampleRate, int $channels, int $bitDepth): int
    {
        return (int) round($sampleRate * $channels * $bitDepth * 0.62);
    }
}
