<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Audio;

use OuterCrate\Planning\Values\AudioValue;

final class AacArguments implements AudioArguments
{
    public function codec(): string
    {
        return 'aac';
    }

    public function encoder(AudioValue $sound): string
    {
        return 'aac';
    }

    public function arguments(AudioValue $sound): array
    {
        return ['-b:a', (string) $sound->bitsOfTrack($sound->channels)];
    }

    /** A whole transform ahead (ISO/IEC 14496-3, 4.6.11). */
    public function delay(): int
    {
        return 1024;
    }
}
