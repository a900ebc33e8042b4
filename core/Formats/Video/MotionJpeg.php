<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Video;

use OuterCrate\Formats\Picture\BitrateMode;
use OuterCrate\Formats\Picture\Chroma;
use OuterCrate\Formats\Picture\Colour;
use OuterCrate\Formats\Picture\PixelFormat;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\FrameRate;
use OuterCrate\Units\FrameSize;

/** Motion JPEG: ITU-T T.81, every frame by itself. */
final class MotionJpeg implements VideoCodec
{
    use EveryFrameByItself;
    use TakesAnyFrame;
    use WithoutLevels;

    public function id(): string
    {
        return 'mjpeg';
    }

    public function name(): string
    {
        return 'Motion JPEG';
    }

    public function facts(): VideoFacts
    {
        return new VideoFacts(decodedPixels: 130_000_000);
    }

    public function profiles(): array
    {
        return [];
    }

    public function pixelFormat(?string $profile, PixelFormat $wanted): PixelFormat
    {
        return new PixelFormat($wanted->chroma === Chroma::Rgb ? Chroma::C444 : $wanted->chroma, 8);
    }

    /** Coded as JPEG pictures are: the coefficients of BT.601 in full range (ITU-T T.871, 7). */
    public function tags(Colour $colour): Colour
    {
        return new Colour($colour->primaries, $colour->transfer, 'bt470bg', true);
    }

    public function rateModes(): array
    {
        return [BitrateMode::Quality];
    }

    public function ownRate(?string $profile, FrameSize $size, FrameRate $rate): ?Bitrate
    {
        return null;
    }

    public function quality(): QualityScale
    {
        return new QualityScale(2, 31, 3, 1.6, 4);
    }
}
