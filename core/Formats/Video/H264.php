<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Video;

use OuterCrate\Formats\Containers\Container;
use OuterCrate\Formats\Picture\BitrateMode;
use OuterCrate\Formats\Picture\Chroma;
use OuterCrate\Formats\Picture\Colour;
use OuterCrate\Formats\Picture\PixelFormat;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\Fraction;
use OuterCrate\Units\FrameRate;
use OuterCrate\Units\FrameSize;

/** H.264: ISO/IEC 14496-10, ITU-T H.264. */
final class H264 implements VideoCodec
{
    use BuildsOnOthers;
    use FindsLevel;
    use TakesAnyFrame;

    /**
     * Table A-1: level => [macroblocks per second, macroblocks per frame, macroblocks in the decoded picture buffer, kb/s and
     * kbit of the coded picture buffer of Main profile].
     */
    private const LEVELS = [
        '1' => [1_485, 99, 396, 64, 175],
        '1b' => [1_485, 99, 396, 128, 350],
        '1.1' => [3_000, 396, 900, 192, 500],
        '1.2' => [6_000, 396, 2_376, 384, 1_000],
        '1.3' => [11_880, 396, 2_376, 768, 2_000],
        '2' => [11_880, 396, 2_376, 2_000, 2_000],
        '2.1' => [19_800, 792, 4_752, 4_000, 4_000],
        '2.2' => [20_250, 1_620, 8_100, 4_000, 4_000],
        '3' => [40_500, 1_620, 8_100, 10_000, 10_000],
        '3.1' => [108_000, 3_600, 18_000, 14_000, 14_000],
        '3.2' => [216_000, 5_120, 20_480, 20_000, 20_000],
        '4' => [245_760, 8_192, 32_768, 20_000, 25_000],
        '4.1' => [245_760, 8_192, 32_768, 50_000, 62_500],
        '4.2' => [522_240, 8_704, 34_816, 50_000, 62_500],
        '5' => [589_824, 22_080, 110_400, 135_000, 135_000],
        '5.1' => [983_040, 36_864, 184_320, 240_000, 240_000],
        '5.2' => [2_073_600, 36_864, 184_320, 240_000, 240_000],
        '6' => [4_177_920, 139_264, 696_320, 240_000, 240_000],
        '6.1' => [8_355_840, 139_264, 696_320, 480_000, 480_000],
        '6.2' => [16_711_680, 139_264, 696_320, 800_000, 800_000],
    ];

    public function id(): string
    {
        return 'h264';
    }

    public function name(): string
    {
        return 'H.264';
    }

    public function facts(): VideoFacts
    {
        return new VideoFacts(
            decodedPixels: 70_000_000,
            // 10-bit H.264 usually comes from cameras, at three times the bitrate.
            decodedDeepPixels: 23_000_000,
            isForDelivery: true,
            joining: Joining::WithPlannedRate,
            sdrRendition: 'high',
        );
    }

    /** ISO/IEC 14496-10, A.3: tenths. */
    public function levelLabel(int $level): string
    {
        return sprintf('%d.%d (%d)', intdiv($level, 10), $level % 10, $level);
    }

    public function profiles(): array
    {
        return ['high' => 'High', 'main' => 'Main', 'baseline' => 'Constrained Baseline', 'high10' => 'High 10', 'high422' => 'High 4:2:2'];
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
        return [BitrateMode::Quality, BitrateMode::Cbr, BitrateMode::Vbr];
    }

    public function ownRate(?string $profile, FrameSize $size, FrameRate $rate): ?Bitrate
    {
        return null;
    }

    /** Level 1b is left out: encoders and players treat it in their own ways, and 1.1 holds all that it does. */
    public function levels(): array
    {
        return array_values(array_diff(array_map(strval(...), array_keys(self::LEVELS)), ['1b']));
    }

    public function exceeds(string $level, ?string $profile, LevelNeeds $needs): ?string
    {
        [$perSecond, $perFrame, $buffer, $kilobits] = self::LEVELS[$level] ?? [0, 0, 0, 0];
        $blocks = $needs->size->macroblocks();
        $longestSide = intdiv($needs->longerSide() + 15, 16);
        // A.3.1: pictures in the buffer, 16 at most.
        $kept = min(16, intdiv($buffer, max(1, $blocks)));

        return match (true) {
            // A.3.1 f, g
            $blocks > $perFrame || $longestSide * $longestSide > 8 * $perFrame => "{$needs->size} over {$perFrame} macroblocks in a frame",
            $needs->rate->perSecond->times($blocks)->compare($perSecond) > 0 => "{$needs->size} at {$needs->rate->label()} "
                ."fps over {$perSecond} macroblocks in a second",
            $needs->references > $kept => "{$needs->references} reference frames over the {$kept} that it keeps of {$needs->size}",
            default => $needs->overRate(
                self::rateFactor($profile)
                    ->times($kilobits * 1000)
                    ->floor(),
            ),
        };
    }

    /** Bits of the coded picture buffer of a level; null where there is no such level. */
    public function buffer(string $level, ?string $profile): ?int
    {
        return isset(self::LEVELS[$level])
            ? self::rateFactor($profile)
                ->times(self::LEVELS[$level][4] * 1000)
                ->floor()
            : null;
    }

    /** Measured with libx264 at medium effort on the demo's cuts. */
    public function quality(): QualityScale
    {
        return new QualityScale(0, 51, 23, 0.11, 6);
    }

    /** The stream says it itself. */
    public function keepsFields(Container $container): bool
    {
        return true;
    }

    public function mostBFrames(): int
    {
        return 16;
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
