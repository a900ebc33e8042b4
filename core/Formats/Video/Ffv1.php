<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Video;

use OuterCrate\Formats\Containers\Container;
use OuterCrate\Formats\Picture\Chroma;
use OuterCrate\Formats\Picture\PixelFormat;

/** FFV1 version 3: RFC 9043. Lossless, every frame by itself, a checksum on each slice. */
final class Ffv1 implements VideoCodec
{
    use EveryFrameByItself;
    use LosesNothing;
    use TakesAnyFrame;
    use WithoutLevels;

    public function id(): string
    {
        return 'ffv1';
    }

    public function name(): string
    {
        return 'FFV1';
    }

    public function facts(): VideoFacts
    {
        return new VideoFacts(decodedPixels: 5_000_000);
    }

    /** Stores what it is given; RGB deeper than 8 bits needs the next even depth, and alpha beside 12 bits of it 16. */
    public function pixelFormat(?string $profile, PixelFormat $wanted): PixelFormat
    {
        $depth = $wanted->bitDepth <= 8 ? 8 : ($wanted->bitDepth <= 10 ? 10 : ($wanted->bitDepth <= 12 ? 12 : 16));

        if ($wanted->alpha && $depth === 12 && $wanted->chroma !== Chroma::Rgb) {
            $depth = 16;
        }

        return new PixelFormat($wanted->chroma, $wanted->chroma === Chroma::Rgb && $depth === 8 ? 10 : $depth, $wanted->alpha);
    }

    /** The stream says it itself. */
    public function keepsFields(Container $container): bool
    {
        return true;
    }
}
