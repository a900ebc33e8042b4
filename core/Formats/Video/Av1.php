<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Video;

use OuterCrate\Formats\Containers\Container;
use OuterCrate\Formats\Picture\BitrateMode;
use OuterCrate\Formats\Picture\Chroma;
use OuterCrate\Formats\Picture\Colour;
use OuterCrate\Formats\Picture\PixelFormat;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\FrameRate;
use OuterCrate\Units\FrameSize;

/** AV1: AV1 Bitstream and Decoding Process Specification 1.0.0 with errata 1. */
final class Av1 implements VideoCodec
{
    use BuildsOnOthers;
    use FindsLevel;
    use TakesAnyFrame;

    /** Annex A.3: level => [samples per picture, width, height, samples shown per second, kb/s of the Main tier]. */
    private const LEVELS = [
        '2.0' => [147_456, 2_048, 1_152, 4_423_680, 1_500],
        '2.1' => [278_784, 2_816, 1_584, 8_363_520, 3_000],
        '3.0' => [665_856, 4_352, 2_448, 19_975_680, 6_000],
        '3.1' => [1_065_024, 5_504, 3_096, 31_950_720, 10_000],
        '4.0' => [2_359_296, 6_144, 3_456, 70_778_880, 12_000],
        '4.1' => [2_359_296, 6_144, 3_456, 141_557_760, 20_000],
        '5.0' => [8_912_896, 8_192, 4_352, 267_386_880, 30_000],
        '5.1' => [8_912_896, 8_192, 4_352, 534_773_760, 40_000],
        '5.2' => [8_912_896, 8_192, 4_352, 1_069_547_520, 60_000],
        '6.0' => [35_651_584, 16_384, 8_704, 1_069_547_520, 60_000],
        '6.1' => [35_651_584, 16_384, 8_704, 2_139_095_040, 100_000],
        '6.2' => [35_651_584, 16_384, 8_704, 4_278_190_080, 160_000],
    ];

    public function id(): string
    {
        return 'av1';
    }

    public function name(): string
    {
        return 'AV1';
    }

    public function facts(): VideoFacts
    {
        return new VideoFacts(
            decodedPixels: 80_000_000,
            isForDelivery: true,
            joining: Joining::AsTheyAre,
            sdrRendition: 'main',
            hdrRendition: 'main',
        );
    }

    /** AV1 Bitstream Specification, A.3: the lowest two bits are the minor number. */
    public function levelLabel(int $level): string
    {
        return sprintf('%d.%d (%d)', 2 + ($level >> 2), $level & 3, $level);
    }

    public function profiles(): array
    {
        return ['main' => 'Main'];
    }

    /** Main profile: 4:2:0 in 8 or 10 bits. The encoder here makes no other. */
    public function pixelFormat(?string $profile, PixelFormat $wanted): PixelFormat
    {
        return new PixelFormat(Chroma::C420, $wanted->bitDepth > 8 ? 10 : 8);
    }

    public function tags(Colour $colour): Colour
    {
        return $colour;
    }

    public function rateModes(): array
    {
        return [BitrateMode::Quality, BitrateMode::Vbr];
    }

    /** The engine's wrapper of the encoder keeps no statistics of a first pass. */
    public function hasTwoPasses(): bool
    {
        return false;
    }

    /** Measured: a quality whose rate was to stay under 6 Mb/s ran at 11. */
    public function holdsPeak(BitrateMode $mode): bool
    {
        return false;
    }

    public function ownRate(?string $profile, FrameSize $size, FrameRate $rate): ?Bitrate
    {
        return null;
    }

    public function levels(): array
    {
        return array_map(strval(...), array_keys(self::LEVELS));
    }

    public function exceeds(string $level, ?string $profile, LevelNeeds $needs): ?string
    {
        [$perPicture, $width, $height, $perSecond, $kilobits] = self::LEVELS[$level] ?? [0, 0, 0, 0, 0];
        $fits = $needs->size->width <= $width && $needs->size->height <= $height;

        return $needs->overPixels($perPicture) ??
            (($fits ? null : "{$needs->size} over {$width}×{$height}") ??
                ($needs->overPixelRate($perSecond) ?? $needs->overRate($kilobits * 1000)));
    }

    public function quality(): QualityScale
    {
        return new QualityScale(1, 63, 35, 0.05, 8);
    }

    /** AV1 has no fields. */
    public function keepsFields(Container $container): bool
    {
        return false;
    }

    /** In the stream itself (AV1 bitstream specification, 5.8.3 and 5.8.4). */
    public function keepsHdrMetadata(Container $container): bool
    {
        return true;
    }

    public function mostBFrames(): int
    {
        return 0;
    }
}
