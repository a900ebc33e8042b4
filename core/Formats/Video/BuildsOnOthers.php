<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Video;

use OuterCrate\Formats\Containers\Container;

/** For a codec that builds frames upon others; made progressive here. */
trait BuildsOnOthers
{
    public function isIntraOnly(): bool
    {
        return false;
    }

    public function keepsFields(Container $container): bool
    {
        return false;
    }

    public function keepsPixelShape(Container $container): bool
    {
        return true;
    }
}
