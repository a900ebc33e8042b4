<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Video;

use OuterCrate\Units\FrameRate;
use OuterCrate\Units\FrameSize;

/** For a codec that sets no bounds to the frame beyond its levels. */
trait TakesAnyFrame
{
    public function refuses(?string $profile, FrameSize $size, FrameRate $rate): ?string
    {
        return null;
    }
}
