<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Audio;

use OuterCrate\Planning\Values\SoundValue;

/** MP3 through libmp3lame. */
final class Mp3Arguments implements AudioArguments
{
    public function codec(): string
    {
        return 'mp3';
    }

    public function encoder(SoundValue $sound): string
    {
        return 'libmp3lame';
    }

    public function arguments(SoundValue $sound): array
    {
        return ['-b:a', (string) $sound->bitsOfTrack($sound->channels)];
    }
}
