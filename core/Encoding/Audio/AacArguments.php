<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Audio;

use OuterCrate\Planning\Values\SoundValue;

final class AacArguments implements AudioArguments
{
    public function codec(): string
    {
        return 'aac';
    }

    public function encoder(SoundValue $sound): string
    {
        return 'aac';
    }

    public function arguments(SoundValue $sound): array
    {
        return ['-b:a', (string) $sound->bitsOfTrack($sound->channels)];
    }
}
