<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Containers;

/** For a container that leaves rate and depth of its sound's samples to the codec. */
trait CarriesAnySamples
{
    public function sampleRates(): array
    {
        return [];
    }

    public function bitDepths(): array
    {
        return [];
    }
}
