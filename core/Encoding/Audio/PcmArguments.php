<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Audio;

use OuterCrate\Planning\Values\AudioValue;

final class PcmArguments implements AudioArguments
{
    public function codec(): string
    {
        return 'pcm';
    }

    public function encoder(AudioValue $sound): string
    {
        return "pcm_s{$sound->bitDepth}le";
    }

    public function arguments(AudioValue $sound): array
    {
        return [];
    }

    public function delay(): int
    {
        return 0;
    }
}
