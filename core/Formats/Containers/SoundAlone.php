<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Containers;

/** For a container of sound alone. */
trait SoundAlone
{
    use WithoutIndexAhead;

    public function videoCodecs(): array
    {
        return [];
    }

    public function keepsColour(): bool
    {
        return false;
    }
}
