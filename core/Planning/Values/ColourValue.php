<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Values;

use OuterCrate\Formats\Colour;
use OuterCrate\Formats\PixelFormat;

/** Colour tags, sampling and depth of what is made; whether HDR is brought down to SDR on the way. */
final readonly class ColourValue implements Value
{
    public function __construct(public Colour $colour, public PixelFormat $pixelFormat, public bool $toneMap)
    {
    }

    public function label(): string
    {
        return "{$this->colour->label()} · {$this->pixelFormat->bitDepth}-bit {$this->pixelFormat->chroma->value}".($this->toneMap ? ' · from HDR' : '');
    }

    public function toArray(): array
    {
        return ['label' => $this->label()] + $this->colour->toArray() + [
            'bitDepth' => $this->pixelFormat->bitDepth,
            'chroma' => $this->pixelFormat->chroma->value,
            'alpha' => $this->pixelFormat->alpha,
            'toneMap' => $this->toneMap,
        ];
    }
}
