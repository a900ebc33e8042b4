<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Audio;

use OuterCrate\Planning\Values\AudioValue;

/** Opus through libopus. */
final class OpusArguments implements AudioArguments
{
    public function codec(): string
    {
        return 'opus';
    }

    public function encoder(AudioValue $sound): string
    {
        return 'libopus';
    }

    public function arguments(AudioValue $sound): array
    {
        return ['-b:a', (string) $sound->bitsOfTrack($sound->channels)];
    }

    /** 6.5 ms at 48 kHz (RFC 6716, 2). */
    public function delay(): int
    {
        return 312;
    }
}
