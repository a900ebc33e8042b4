<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Video;

use OuterCrate\Formats\Chroma;
use OuterCrate\Formats\Colour;
use OuterCrate\Formats\PixelFormat;
use OuterCrate\Formats\RateMode;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\FrameRate;
use OuterCrate\Units\FrameSize;

/** HEVC: ISO/IEC 23008-2, ITU-T H.265. */
final class Hevc implements VideoCodec
{
    /** Tables A.8 and A.9, Main tier: level => [luma samples per picture, luma samples per second, kb/s]. */
    private const LEVELS = [
        '1' => [36_864, 552_960, 128], '2' => [122_880, 3_686_400, 1_500], '2.1' => [245_760, 7_372_800, 3_000],
        '3' => [552_960, 16_588_800, 6_000], '3.1' => [983_040, 33_177_600, 10_000],
        '4' => [2_228_224, 66_846_720, 12_000], '4.1' => [2_228_224, 133_693_440, 20_000],
        '5' => [8_912_896, 267_386_880, 25_000], '5.1' => [8_912_896, 534_773_760, 40_000], '5.2' => [8_912_896, 1_069_547_520, 60_000],
        '6' => [35_651_584, 1_069_547_520, 60_000], '6.1' => [35_651_584, 2_139_095_040, 120_000], '6.2' => [35_651_584, 4_278_190_080, 240_000],
    ];

    public function id(): string
    {
        return 'hevc';
    }

    public function name(): string
    {
        return 'HEVC';
    }

    public function standard(): string
    {
        return 'ISO/IEC 23008-2';
    }

    public function profiles(): array
    {
        return ['main' => 'Main', 'main10' => 'Main 10'];
    }

    public function pixelFormat(?string $profile, PixelFormat $wanted): PixelFormat
    {
        return new PixelFormat(Chroma::C420, $profile === 'main10' ? 10 : 8);
    }

    public function tags(Colour $colour): Colour
    {
        return $colour;
    }

    public function rateModes(): array
    {
        return [RateMode::Quality, RateMode::Cbr, RateMode::Vbr];
    }

    public function isIntraOnly(): bool
    {
        return false;
    }

    public function ownRate(?string $profile, FrameSize $size, FrameRate $rate): ?Bitrate
    {
        return null;
    }

    public function level(?string $profile, FrameSize $size, FrameRate $rate, ?Bitrate $peak): ?string
    {
        foreach (self::LEVELS as $level => [$perPicture, $perSecond, $kilobits]) {
            $fits = $size->pixels() <= $perPicture
                && max($size->width, $size->height) ** 2 <= 8 * $perPicture // A.4.1 b, c
                && $rate->perSecond->times($size->pixels())->compare($perSecond) <= 0
                && ($peak === null || $peak->bitsPerSecond <= $kilobits * 1000);
            if ($fits) {
                return (string) $level;
            }
        }

        return null;
    }
}
