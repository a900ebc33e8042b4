<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Audio;

/** Opus: RFC 6716. */
final class Opus implements AudioCodec
{
    public function id(): string
    {
        return 'opus';
    }

    public function name(): string
    {
        return 'Opus';
    }

    public function hasRate(): bool
    {
        return true;
    }

    public function sampleRates(): array
    {
        return [8_000, 12_000, 16_000, 24_000, 48_000];
    }

    public function bitDepths(): array
    {
        return [];
    }

    /** At most 256 kb/s for a channel in the encoder here. */
    /** RFC 7845, 5.1.1.2: mapping family 1. */
    public function mostChannels(): int
    {
        return 8;
    }

    public function bitsPerSecond(?int $asked, int $sampleRate, int $channels, int $bitDepth): int
    {
        return min($asked ?? 64_000 * $channels, 256_000 * $channels);
    }
}
