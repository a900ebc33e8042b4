<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Containers;

/** What containers share that have no index to put first, count far enough, and leave the order of fields to the streams they carry. */
trait WithoutIndexAhead
{
    public function hasFastStart(): bool
    {
        return false;
    }

    public function breaksAbove(): ?int
    {
        return null;
    }

    public function tellsFieldOrder(): bool
    {
        return false;
    }

    public function timesSound(): bool
    {
        return true;
    }

    public function keepsColour(): bool
    {
        return true;
    }

    public function tellsHdrMetadata(): bool
    {
        return false;
    }

    public function tellsProjection(): bool
    {
        return false;
    }

    public function options(): array
    {
        return [];
    }
}
