<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Audio;

/** Uncompressed linear samples, little-endian. */
final class Pcm implements AudioCodec
{
    public function id(): string
    {
        return 'pcm';
    }

    public function name(): string
    {
        return 'PCM';
    }

    public function hasRate(): bool
    {
        return false;
    }

    public function sampleRates(): array
    {
        return [];
    }

    public function bitDepths(): array
    {
        return [16, 24, 32];
    }

    public function mostChannels(): int
    {
        return 8;
    }

    public function bitsPerSecond(?int $asked, int $sampleRate, int $channels, int $bitDepth): int
    {
        return $sampleRate * $channels * $bitDepth;
    }
}
