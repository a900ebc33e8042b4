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

/** VP9: VP9 Bitstream and Decoding Process Specification 0.7. */
final class Vp9 implements VideoCodec
{
    use BuildsOnOthers;
    use FindsLevel;
    use TakesAnyFrame;

    /** Annex A.2: level => [luma samples per second, luma samples per picture, kb/s, longest side]. */
    private const LEVELS = [
        '1' => [829_440, 36_864, 200, 512],
        '1.1' => [2_764_800, 73_728, 800, 768],
        '2' => [4_608_000, 122_880, 1_800, 960],
        '2.1' => [9_216_000, 245_760, 3_600, 1_344],
        '3' => [20_736_000, 552_960, 7_200, 2_048],
        '3.1' => [36_864_000, 983_040, 12_000, 2_752],
        '4' => [83_558_400, 2_228_224, 18_000, 4_160],
        '4.1' => [160_432_128, 2_228_224, 30_000, 4_160],
        '5' => [311_951_360, 8_912_896, 60_000, 8_384],
        '5.1' => [588_251_136, 8_912_896, 120_000, 8_384],
        '5.2' => [1_176_502_272, 8_912_896, 180_000, 8_384],
        '6' => [1_176_502_272, 35_651_584, 180_000, 16_832],
        '6.1' => [2_353_004_544, 35_651_584, 240_000, 16_832],
        '6.2' => [4_706_009_088, 35_651_584, 480_000, 16_832],
    ];

    public function id(): string
    {
        return 'vp9';
    }

    public function name(): string
    {
        return 'VP9';
    }

    public function facts(): VideoFacts
    {
        return new VideoFacts(
            decodedPixels: 130_000_000,
            isForDelivery: true,
            joining: Joining::AsTheyAre,
            sdrRendition: 'p0',
            hdrRendition: 'p2',
        );
    }

    public function profiles(): array
    {
        return ['p0' => 'Profile 0', 'p1' => 'Profile 1', 'p2' => 'Profile 2', 'p3' => 'Profile 3'];
    }

    /** Profiles 0 and 2 have 4:2:0, 1 and 3 finer chroma; 2 and 3 have 10 or 12 bits (section 7.2). */
    public function pixelFormat(?string $profile, PixelFormat $wanted): PixelFormat
    {
        $fine = in_array($profile, ['p1', 'p3'], true);
        $chroma = $fine ? ($wanted->chroma === Chroma::C422 ? Chroma::C422 : Chroma::C444) : Chroma::C420;

        return new PixelFormat($chroma, in_array($profile, ['p2', 'p3'], true) ? ($wanted->bitDepth > 10 ? 12 : 10) : 8);
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

    public function levels(): array
    {
        return array_map(strval(...), array_keys(self::LEVELS));
    }

    public function exceeds(string $level, ?string $profile, LevelNeeds $needs): ?string
    {
        [$perSecond, $perPicture, $kilobits, $side] = self::LEVELS[$level] ?? [0, 0, 0, 0];

        return $needs->overPixels($perPicture) ??
            ($needs->overSide($side) ?? ($needs->overPixelRate($perSecond) ?? $needs->overRate($kilobits * 1000)));
    }

    public function quality(): QualityScale
    {
        return new QualityScale(0, 63, 31, 0.07, 9);
    }

    /** VP9 has no fields. */
    public function keepsFields(Container $container): bool
    {
        return false;
    }

    /** It has frames that are never shown instead. */
    public function mostBFrames(): int
    {
        return 0;
    }
}
