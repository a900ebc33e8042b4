<?php

declare(strict_types=1);

namespace OuterCrate\Hosts\Asks;

use OuterCrate\Formats\Picture\Chroma;

/** The sampling of colour that a host asks for. */
final readonly class ColourAsk
{
    /** @param  Chroma|null  $chroma  null where it does not say */
    public function __construct(public ?Chroma $chroma = null)
    {
    }

    public function words(): string
    {
        return $this->chroma->value ?? '';
    }
}
