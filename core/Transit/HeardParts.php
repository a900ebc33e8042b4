<?php

declare(strict_types=1);

namespace OuterCrate\Transit;

use OuterCrate\Analysis\FoundSound;
use OuterCrate\Reading\SoundLevel;

/** Parts of a sound that stand for all of it: how much louder all of it is, and how much higher its highest peak. */
final readonly class HeardParts
{
    private float $louder;

    private float $higher;

    /**
     * @param  FoundSound|null  $whole  what an analysis heard in all of it; null where the parts are all that is known
     * @param  SoundLevel  $parts  as they are delivered, before they are coded or their level is set
     */
    public function __construct(?FoundSound $whole, SoundLevel $parts)
    {
        $this->louder = $parts->integrated === null ? 0.0 : ($whole->integrated ?? $parts->integrated) - $parts->integrated;
        $this->higher = $parts->truePeak === null ? 0.0 : max(0.0, ($whole->truePeak ?? $parts->truePeak) - $parts->truePeak);
    }

    /**
     * What all of it came to where the parts came to this.
     *
     * @param  bool  $isLimited  a limiter brings the highest peak down to where those of the parts are
     */
    public function ofAll(SoundLevel $part, bool $isLimited = false): SoundLevel
    {
        return new SoundLevel(
            $part->integrated === null ? null : $part->integrated + $this->louder,
            $part->range,
            $part->truePeak === null ? null : $part->truePeak + ($isLimited ? 0.0 : $this->higher),
        );
    }
}
