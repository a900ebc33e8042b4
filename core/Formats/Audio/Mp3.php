<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Audio;

/** MP3, MPEG-1 and MPEG-2 audio layer 3: ISO/IEC 11172-3 and 13818-3. */
final class Mp3 implements AudioCodec
{
    /** kb/s of layer 3 at 32 kHz and above (ISO/IEC 11172-3, 2.4.2.3), and below (ISO/IEC 13818-3, 2.4.2.3). */
    private const RATES = [32, 40, 48, 56, 64, 80, 96, 112, 128, 160, 192, 224, 256, 320];

    private const LOW_RATES = [8, 16, 24, 32, 40, 48, 56, 64, 80, 96, 112, 128, 144, 160];

    public function id(): string
    {
        return 'mp3';
    }

    public function name(): string
    {
        return 'MP3';
    }

    public function hasRate(): bool
    {
        return true;
    }

    public function sampleRates(): array
    {
        return [16_000, 22_050, 24_000, 32_000, 44_100, 48_000];
    }

    public function bitDepths(): array
    {
        return [];
    }

    /** ISO/IEC 11172-3, 2.4.2.3. */
    public function mostChannels(): int
    {
        return 2;
    }

    public function bitsPerSecond(?int $asked, int $sampleRate, int $channels, int $bitDepth): int
    {
        return StatedRates::nearest($sampleRate < 32_000 ? self::LOW_RATES : self::RATES, $asked ?? 96_000 * $channels);
    }
}
