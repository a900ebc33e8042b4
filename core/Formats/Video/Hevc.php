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

/** HEVC: ISO/IEC 23008-2, ITU-T H.265. */
final class Hevc implements VideoCodec
{
    use BuildsOnOthers;
    use FindsLevel;
    use TakesAnyFrame;

    /** Tables A.8 and A.9: level => [luma samples per picture, luma samples per second, kb/s of Main tier, of High tier]. */
    private const LEVELS = [
        '1' => [36_864, 552_960, 128, null],
        '2' => [122_880, 3_686_400, 1_500, null],
        '2.1' => [245_760, 7_372_800, 3_000, null],
        '3' => [552_960, 16_588_800, 6_000, null],
        '3.1' => [983_040, 33_177_600, 10_000, null],
        '4' => [2_228_224, 66_846_720, 12_000, 30_000],
        '4.1' => [2_228_224, 133_693_440, 20_000, 50_000],
        '5' => [8_912_896, 267_386_880, 25_000, 100_000],
        '5.1' => [8_912_896, 534_773_760, 40_000, 160_000],
        '5.2' => [8_912_896, 1_069_547_520, 60_000, 240_000],
        '6' => [35_651_584, 1_069_547_520, 60_000, 240_000],
        '6.1' => [35_651_584, 2_139_095_040, 120_000, 480_000],
        '6.2' => [35_651_584, 4_278_190_080, 240_000, 800_000],
    ];

    /** What a level of the High tier is called; players at home decode the Main tier. */
    public const HIGH_TIER = ' high tier';

    public function id(): string
    {
        return 'hevc';
    }

    public function name(): string
    {
        return 'HEVC';
    }

    public function facts(): VideoFacts
    {
        return new VideoFacts(
            decodedPixels: 64_000_000,
            isForDelivery: true,
            joining: Joining::WithPlannedRate,
            sdrRendition: 'main',
            hdrRendition: 'main10',
        );
    }

    /** ISO/IEC 23008-2, A.4: thirtieths. */
    public function levelLabel(int $level): string
    {
        return sprintf('%d.%d (%d)', intdiv($level, 30), intdiv($level, 3) % 10, $level);
    }

    public function profiles(): array
    {
        return ['main' => 'Main', 'main10' => 'Main 10', 'main422-10' => 'Main 4:2:2 10'];
    }

    public function pixelFormat(?string $profile, PixelFormat $wanted): PixelFormat
    {
        return match ($profile) {
            'main422-10' => new PixelFormat(Chroma::C422, 10),
            default => new PixelFormat(Chroma::C420, $profile === 'main10' ? 10 : 8),
        };
    }

    public function tags(Colour $colour): Colour
    {
        return $colour;
    }

    public function rateModes(): array
    {
        return [BitrateMode::Quality, BitrateMode::Cbr, BitrateMode::Vbr];
    }

    public function ownRate(?string $profile, FrameSize $size, FrameRate $rate): ?Bitrate
    {
        return null;
    }

    /** All of the Main tier first: a higher level of it is decoded by more players than a High tier. */
    public function levels(): array
    {
        $high = array_keys(array_filter(self::LEVELS, static fn (array $limits): bool => $limits[3] !== null));

        return [
            ...array_map(strval(...), array_keys(self::LEVELS)),
            ...array_map(static fn (int|string $level): string => $level.self::HIGH_TIER, $high),
        ];
    }

    public function exceeds(string $level, ?string $profile, LevelNeeds $needs): ?string
    {
        $high = str_ends_with($level, self::HIGH_TIER);
        [$perPicture, $perSecond, $main, $top] = self::LEVELS[$high ? substr($level, 0, -strlen(self::HIGH_TIER)) : $level] ?? [0, 0, 0, 0];

        return $needs->overPixels($perPicture) ??
            (($needs->longerSide() ** 2 <= 8 * $perPicture ? null : "a side of {$needs->longerSide()} pixels") ?? // A.4.1 b, c
                ($needs->overPixelRate($perSecond) ?? $needs->overRate(1000 * (int) ($high ? $top : $main))));
    }

    /** Measured with libx265 at medium effort on the demo's cuts. */
    public function quality(): QualityScale
    {
        return new QualityScale(0, 51, 24, 0.07, 6);
    }

    /** Fields are pictures of their own in HEVC (ITU-T H.265, annex D.3.3), which the encoder here does not make. */
    public function keepsFields(Container $container): bool
    {
        return false;
    }

    /** In the stream itself (ITU-T H.265, D.2.28 and D.2.35). */
    public function keepsHdrMetadata(Container $container): bool
    {
        return true;
    }

    public function mostBFrames(): int
    {
        return 16;
    }
}
