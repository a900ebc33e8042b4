<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Video;

use OuterCrate\Formats\Picture\Chroma;
use OuterCrate\Formats\Picture\PixelFormat;

/** TIFF images: lossless RGB, packed with LZW. */
final class Tiff implements VideoCodec
{
    use EveryFrameByItself;
    use LosesNothing;
    use TakesAnyFrame;
    use WithoutLevels;

    public function id(): string
    {
        return 'tiff';
    }

    public function name(): string
    {
        return 'TIFF';
    }

    public function facts(): VideoFacts
    {
        return new VideoFacts;
    }

    public function profiles(): array
    {
        return ['rgb8' => '8-bit', 'rgb16' => '16-bit'];
    }

    public function pixelFormat(?string $profile, PixelFormat $wanted): PixelFormat
    {
        return new PixelFormat(Chroma::Rgb, $profile === 'rgb16' ? 16 : 8, $wanted->alpha);
    }
}
