<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Video;

use OuterCrate\Formats\Picture\Chroma;
use OuterCrate\Formats\Picture\Colour;
use OuterCrate\Formats\Picture\PixelFormat;

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

    public function facts(): VideoFacts
    {
        return new VideoFacts(decodedPixels: 86_000_000);
    }

    /** 8 bits, in the chroma it is given. */
    public function pixelFormat(?string $profile, PixelFormat $wanted): PixelFormat
    {
        return new PixelFormat($wanted->chroma, 8, $wanted->alpha && $wanted->chroma === Chroma::Rgb);
    }

    /** Its streams say BT.601 or BT.709 by their four letters (ULY0, ULH0), and can say no other matrix. */
    public function tags(Colour $colour): Colour
    {
        $known = in_array($colour->matrix, [null, 'gbr', 'bt709', 'bt470bg', 'smpte170m'], true);

        return new Colour($colour->primaries, $colour->transfer, $known ? $colour->matrix : 'bt709', $colour->fullRange);
    }
}
