<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Audio;

use OuterCrate\Planning\Values\AudioValue;

final class FlacArguments implements AudioArguments
{
    public function codec(): string
    {
        return 'flac';
    }

    public function encoder(AudioValue $sound): string
    {
        return 'flac';
    }

    /**
     * The engine hands deep samples over in 32 bits and is told how many of them count. Into MP4 ("Encapsulation of FLAC in ISO Base
     * Media File Format") it writes FLAC only when it is told that this is meant; elsewhere that changes nothing.
     */
    public function arguments(AudioValue $sound): array
    {
        return [
            ...$sound->bitDepth > 16
                ? ['-sample_fmt', 's32', '-bits_per_raw_sample:a', (string) $sound->bitDepth]
                : ['-sample_fmt', 's16'],
            '-strict',
            'experimental',
        ];
    }

    public function delay(): int
    {
        return 0;
    }
}
