<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Audio;

use OuterCrate\Planning\Values\SoundValue;

final class PcmArguments implements AudioArguments
{
    public function codec(): string
    {
        return 'pcm';
    }

    public function encoder(SoundValue $sound): string
    {
        return "pcm_s{$sound->bitDepth}le";
    }

    public function arguments(SoundValue $sound): array
    {
        return [];
    }
}
