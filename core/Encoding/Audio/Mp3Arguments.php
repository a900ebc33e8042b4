<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Audio;

use OuterCrate\Planning\Values\AudioValue;

/** MP3 through libmp3lame. */
final class Mp3Arguments implements AudioArguments
{
    public function codec(): string
    {
        return 'mp3';
    }

    public function encoder(AudioValue $sound): string
    {
        return 'libmp3lame';
    }

    public function arguments(AudioValue $sound): array
    {
        return ['-b:a', (string) $sound->bitsOfTrack($sound->channels)];
    }

    /** The encoder’s 576 and the decoder’s 529, which it makes up for ahead. */
    public function delay(): int
    {
        return 1105;
    }
}
