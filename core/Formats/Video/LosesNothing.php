<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Video;

use OuterCrate\Formats\Picture\BitrateMode;
use OuterCrate\Formats\Picture\Colour;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\FrameRate;
use OuterCrate\Units\FrameSize;

/** For a lossless codec without profiles: it takes as many bits as the picture needs. */
trait LosesNothing
{
    public function profiles(): array
    {
        return [];
    }

    public function tags(Colour $colour): Colour
    {
        return $colour;
    }

    public function rateModes(): array
    {
        return [BitrateMode::Lossless];
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
