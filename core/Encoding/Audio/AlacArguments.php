<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Audio;

use OuterCrate\Planning\Values\AudioValue;

/** ALAC. The engine takes planar samples of 16 bits, or of 32 bits of which 24 count. */
final class AlacArguments implements AudioArguments
{
    public function codec(): string
    {
        return 'alac';
    }

    public function encoder(AudioValue $sound): string
    {
        return 'alac';
    }

    public function arguments(AudioValue $sound): array
    {
        return ['-sample_fmt', $sound->bitDepth > 16 ? 's32p' : 's16p'];
    }

    public function delay(): int
    {
        return 0;
    }
}
