<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Video;

use OuterCrate\Formats\Picture\BitrateMode;
use OuterCrate\Formats\Picture\Colour;
use OuterCrate\Formats\Picture\PixelFormat;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\FrameRate;
use OuterCrate\Units\FrameSize;

/** In place of a codec where a file holds sound alone. */
final class NoVideo implements VideoCodec
{
    use EveryFrameByItself;
    use TakesAnyFrame;
    use WithoutLevels;

    public const ID = 'none';

    public function id(): string
    {
        return self::ID;
    }

    public function name(): string
    {
        return 'none';
    }

    public function facts(): VideoFacts
    {
        return new VideoFacts;
    }

    public function profiles(): array
    {
        return [];
    }

    public function pixelFormat(?string $profile, PixelFormat $wanted): PixelFormat
    {
        return $wanted;
    }

    public function tags(Colour $colour): Colour
    {
        return $colour;
    }

    public function rateModes(): array
    {
        return [BitrateMode::Codec];
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
