<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Audio;

use OuterCrate\Planning\Values\AudioValue;

/** AC-3. */
final class Ac3Arguments implements AudioArguments
{
    public function codec(): string
    {
        return 'ac3';
    }

    public function encoder(AudioValue $sound): string
    {
        return 'ac3';
    }

    public function arguments(AudioValue $sound): array
    {
        return ['-b:a', (string) $sound->bitsOfTrack($sound->channels)];
    }

    /** Half of its first transform, of 512 (ATSC A/52, 7.9). */
    public function delay(): int
    {
        return 256;
    }
}
