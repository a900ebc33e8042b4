<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Audio;

/** AAC, low complexity: ISO/IEC 14496-3. */
final class AacLc implements AudioCodec
{
    public function id(): string
    {
        return 'aac';
    }

    public function name(): string
    {
        return 'AAC';
    }

    public function hasRate(): bool
    {
        return true;
    }

    public function sampleRates(): array
    {
        return [8_000, 11_025, 12_000, 16_000, 22_050, 24_000, 32_000, 44_100, 48_000, 64_000, 88_200, 96_000];
    }

    public function bitDepths(): array
    {
        return [];
    }

    /** ISO/IEC 14496-3, table 1.19: channel configurations up to 7.1. */
    public function mostChannels(): int
    {
        return 8;
    }

    public function bitsPerSecond(?int $asked, int $sampleRate, int $channels, int $bitDepth): int
    {
        return $asked ?? 64_000 * $channels;
    }
}
