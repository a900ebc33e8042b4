<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Containers;

/** For a container that leaves the sample rate of its sound to the codec. */
trait CarriesAnySampleRate
{
    public function sampleRates(): array
    {
        return [];
    }
}
