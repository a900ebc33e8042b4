<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Containers;

/** For a container that times each frame by itself. */
trait CarriesAnyFrameRate
{
    public function frameRates(): array
    {
        return [];
    }
}
