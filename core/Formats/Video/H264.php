<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Video;

use OuterCrate\Formats\Chroma;
use OuterCrate\Formats\Colour;
use OuterCrate\Formats\PixelFormat;
use OuterCrate\Formats\RateMode;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\Fraction;
use OuterCrate\Units\FrameRate;
use OuterCrate\Units\FrameSize;

/** H.264: ISO/IEC 14496-10, ITU-T H.264. */
final class H264 implements VideoCodec
{
    /**
     * Table A-1: level => [macroblocks per second, macroblocks per frame, kb/s of Main profile].
     */
    private const LEVELS = [
        '1' => [1_485, 99, 64], '1.1' => [3_000, 396, 192], '1.2' => [6_000, 396, 384], '1.3' => [11_880, 396, 768],
        '2' => [11_880, 396, 2_000], '2.1' => [19_800, 792, 4_000], '2.2' => [20_250, 1_620, 4_000],
        '3' => [40_500, 1_620, 10_000], '3.1' => [108_000, 3_600, 14_000], '3.2' => [216_000, 5_120, 20_000],
        '4' => [245_760, 8_192, 20_000], '4.1' => [245_760, 8_192, 50_000], '4.2' => [522_240, 8_704, 50_000],
        '5' => [589_824, 22_080, 135_000], '5.1' => [983_040, 36_864, 240_000], '5.2' => [2_073_600, 36_864, 240_000],
        '6' => [4_177_920, 139_264, 240_000], '6.1' => [8_355_840, 139_264, 480_000], '6.2' => [16_711_680, 139_264, 800_000],
    ];

    public function id(): string
    {
        return 'h264';
    }

    public function name(): string
    {
        return 'H.264';
    }

    public function standard(): string
    {
        return 'ISO/IEC 14496-10';
    }

    public function profiles(): array
    {
        return ['high' => 'High', 'main' => 'Main', 'baseline' => 'Baseline', 'high10' => 'High 10', 'high422' => 'High 4:2:2'];
    }

    public function pixelFormat(?string $profile, PixelFormat $wanted): PixelFormat
    {
        return match ($profile) {
            'high10' => new PixelFormat(Chroma::C420, 10),
            'high422' => new PixelFormat(Chroma::C422, $wanted->bitDepth > 8 ? 10 : 8),
            default => new PixelFormat(Chroma::C420, 8),
        };
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
        foreach (self::LEVELS as $level => [$perSecond, $perFrame, $kilobits]) {
            $longestSide = max(intdiv($size->width + 15, 16), intdiv($size->height + 15, 16));
            $fits = $size->macroblocks() <= $perFrame
                && $longestSide * $longestSide <= 8 * $perFrame // A.3.1 f, g
                && $rate->perSecond->times($size->macroblocks())->compare($perSecond) <= 0
                && ($peak === null || $peak->bitsPerSecond <= self::rateFactor($profile)->times($kilobits * 1000)->floor());
            if ($fits) {
                return (string) $level;
            }
        }

        return null;
    }

    /** Table A-2, cpbBrVclFactor over 1000. */
    private static function rateFactor(?string $profile): Fraction
    {
        return match ($profile) {
            'baseline', 'main' => new Fraction(1),
            'high10' => new Fraction(3),
            'high422' => new Fraction(4),
            default => new Fraction(5, 4),
        };
    }
}
