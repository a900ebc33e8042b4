<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Video;

use OuterCrate\Formats\Containers\Container;
use OuterCrate\Formats\Picture\BitrateMode;

/** For a codec that builds frames upon others. */
trait BuildsOnOthers
{
    public function isIntraOnly(): bool
    {
        return false;
    }

    public function holdsPeak(BitrateMode $mode): bool
    {
        return true;
    }

    public function hasTwoPasses(): bool
    {
        return true;
    }

    public function keepsPixelShape(Container $container): bool
    {
        return true;
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
