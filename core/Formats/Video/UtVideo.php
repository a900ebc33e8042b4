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

/** UT Video: lossless and quick, every frame by itself. */
final class UtVideo implements VideoCodec
{
    use EveryFrameByItself;
    use TakesAnyFrame;
    use WithoutLevels;

    public function id(): string
    {
        return 'utvideo';
    }

    public function name(): string
    {
        return 'UT Video';
    }

    public function standard(): string
    {
        return 'UT Video Codec Suite';
    }

    public function profiles(): array
    {
        return [];
    }

    /** 8 bits, in the chroma it is given. */
    public function pixelFormat(?string $profile, PixelFormat $wanted): PixelFormat
    {
        return new PixelFormat($wanted->chroma, 8, $wanted->alpha && $wanted->chroma === Chroma::Rgb);
    }

    public function tags(Colour $colour): Colour
    {
        return $colour;
    }

    public function rateModes(): array
    {
        return [RateMode::Lossless];
    }

    public function ownRate(?string $profile, FrameSize $size, FrameRate $rate): ?Bitrate
    {
        return null;
    }

    public function quality(): ?QualityScale
    {
        return null;
    }
}
