<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Video;

use OuterCrate\Formats\Containers\Container;
use OuterCrate\Formats\Picture\BitrateMode;

/** For a codec that builds no frame upon another. */
trait EveryFrameByItself
{
    public function isIntraOnly(): bool
    {
        return true;
    }

    public function keepsFields(Container $container): bool
    {
        return $container->tellsFieldOrder();
    }

    public function holdsPeak(BitrateMode $mode): bool
    {
        return false;
    }

    public function hasTwoPasses(): bool
    {
        return false;
    }

    public function keepsPixelShape(Container $container): bool
    {
        return true;
    }

    public function mostBFrames(): int
    {
        return 0;
    }

    public function keepsHdrMetadata(Container $container): bool
    {
        return $container->tellsHdrMetadata();
    }

    public function buffer(string $level, ?string $profile): ?int
    {
        return null;
    }
}
