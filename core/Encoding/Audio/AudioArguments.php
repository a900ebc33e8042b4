<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Audio;

use OuterCrate\Planning\Values\AudioValue;

/** How one sound codec's encoder is told what a plan decided. */
interface AudioArguments
{
    /** Id of the codec. */
    public function codec(): string;

    /** Name of the engine's encoder. */
    public function encoder(AudioValue $sound): string;

    /** @return list<string> the encoder's own options */
    public function arguments(AudioValue $sound): array;

    /** Samples that the encoder puts before the first one. */
    public function delay(): int;
}
