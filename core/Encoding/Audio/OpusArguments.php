<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Audio;

use OuterCrate\Planning\Values\SoundValue;

/** Opus through libopus. */
final class OpusArguments implements AudioArguments
{
    public function codec(): string
    {
        return 'opus';
    }

    public function encoder(SoundValue $sound): string
    {
        return 'libopus';
    }

    public function arguments(SoundValue $sound): array
    {
        return ['-b:a', (string) $sound->bitsOfTrack($sound->channels)];
    }
}
