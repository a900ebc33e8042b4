<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Video;

use OuterCrate\Formats\Chroma;
use OuterCrate\Formats\PixelFormat;

/** UT Video: lossless and quick, every frame by itself. */
final class UtVideo implements VideoCodec
{
    use EveryFrameByItself;
    use LosesNothing;
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

    /** 8 bits, in the chroma it is given. */
    public function pixelFormat(?string $profile, PixelFormat $wanted): PixelFormat
    {
        return new PixelFormat($wanted->chroma, 8, $wanted->alpha && $wanted->chroma === Chroma::Rgb);
    }
}
