<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Video;

/** For a codec that builds no frame upon another. */
trait EveryFrameByItself
{
    public function isIntraOnly(): bool
    {
        return true;
    }

    public function mostBFrames(): int
    {
        return 0;
    }
}
