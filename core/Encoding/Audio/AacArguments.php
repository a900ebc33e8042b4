<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Audio;

use OuterCrate\Planning\Cells\Audio\AudioValue;

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
}
