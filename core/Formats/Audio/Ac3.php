<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Audio;

/** AC-3: ATSC A/52, ETSI TS 102 366. */
final class Ac3 implements AudioCodec
{
    /** kb/s (A/52, table 5.18). */
    private const RATES = [32, 40, 48, 56, 64, 80, 96, 112, 128, 160, 192, 224, 256, 320, 384, 448, 512, 576, 640];

    public function id(): string
    {
        return 'ac3';
    }

    public function name(): string
    {
        return 'AC-3';
    }

    public function hasRate(): bool
    {
        return true;
    }

    public function sampleRates(): array
    {
        return [32_000, 44_100, 48_000];
    }

    public function bitDepths(): array
    {
        return [];
    }

    /** A/52, table 5.8: 3/2 and the low-frequency channel. */
    public function mostChannels(): int
    {
        return 6;
    }

    public function bitsPerSecond(?int $asked, int $sampleRate, int $channels, int $bitDepth): int
    {
        return StatedRates::nearest(self::RATES, $asked ?? 96_000 * $channels);
    }
}
