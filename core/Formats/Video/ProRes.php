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

/** ProRes: SMPTE RDD 36. An intra-frame mezzanine whose rate follows from profile, frame size and frame rate. */
final class ProRes implements VideoCodec
{
    use EveryFrameByItself;
    use TakesAnyFrame;
    use WithoutLevels;

    /** kb/s at 1920×1080 and 29.97 fps, as the codec's publisher states them for each profile. */
    private const TARGET = [
        'proxy' => 45_000,
        'lt' => 102_000,
        'standard' => 147_000,
        'hq' => 220_000,
        'p4444' => 330_000,
        'p4444xq' => 500_000,
    ];

    public function id(): string
    {
        return 'prores';
    }

    public function name(): string
    {
        return 'ProRes';
    }

    public function facts(): VideoFacts
    {
        return new VideoFacts(decodedPixels: 38_000_000, joining: Joining::AsTheyAre);
    }

    public function profiles(): array
    {
        return ['hq' => '422 HQ', 'standard' => '422', 'lt' => '422 LT', 'proxy' => '422 Proxy', 'p4444' => '4444', 'p4444xq' => '4444 XQ'];
    }

    public function pixelFormat(?string $profile, PixelFormat $wanted): PixelFormat
    {
        return in_array($profile, ['p4444', 'p4444xq'], true)
            ? new PixelFormat(Chroma::C444, 10, $wanted->alpha)
            : new PixelFormat(Chroma::C422, 10);
    }

    /**
     * No range is told, and the narrow one taken. RDD 36, table 6 knows the BT.709 transfer, to which those of BT.601 and
     * BT.2020 are equal (ITU-T H.273, table 3), and one matrix for both of BT.601 (table 4).
     */
    public function tags(Colour $colour): Colour
    {
        $equal = in_array($colour->transfer, ['smpte170m', 'bt2020-10', 'bt2020-12'], true);

        return new Colour(
            $colour->primaries,
            $equal ? 'bt709' : $colour->transfer,
            $colour->matrix === 'bt470bg' ? 'smpte170m' : $colour->matrix,
        );
    }

    public function rateModes(): array
    {
        return [BitrateMode::Codec];
    }

    /** Scaled from the stated target by macroblocks per second. */
    public function ownRate(?string $profile, FrameSize $size, FrameRate $rate): Bitrate
    {
        $reference = (new Fraction(30_000, 1001))->times((new FrameSize(1920, 1080))->macroblocks());

        return Bitrate::kilobits(self::TARGET[$profile ?? 'hq'] ?? self::TARGET['hq'])->times(
            $rate->perSecond->times($size->macroblocks())->over($reference),
        );
    }

    public function quality(): ?QualityScale
    {
        return null;
    }

    /** The stream says it itself. */
    public function keepsFields(Container $container): bool
    {
        return true;
    }
}
