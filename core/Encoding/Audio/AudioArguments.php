<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Audio;

use OuterCrate\Planning\Values\SoundValue;

/** How one sound codec's encoder is told what a plan decided. */
interface AudioArguments
{
    /** Id of the codec. */
    public function codec(): string;

    /** Name of the engine's encoder. */
    public function encoder(SoundValue $sound): string;

    /** @return list<string> the encoder's own options */
    public function arguments(SoundValue $sound): array;
}
