<?php

declare(strict_types=1);

namespace OuterCrate\Planning;

use OuterCrate\Reading\Ends;
use OuterCrate\Reading\PacketTally;
use OuterCrate\Reading\Quantisers;
use OuterCrate\Reading\Reading;
use OuterCrate\Reading\SoundLevel;

/** A finished file as it was read back. */
final readonly class Made
{
    /**
     * @param  int  $frames  that were planned
     * @param  Quantisers|null  $quantisers  null where its encoder told nothing of them
     * @param  SoundLevel|null  $level  of its first track of sound; null where it was not listened to
     * @param  Ends|null  $ends  null where it was not held against its cut
     */
    public function __construct(
        public Reading $reading,
        public PacketTally $tally,
        public string $file,
        public int $frames,
        public ?Quantisers $quantisers = null,
        public ?SoundLevel $level = null,
        public ?Ends $ends = null,
    ) {
    }

    public function endingAs(?Ends $ends): self
    {
        return new self($this->reading, $this->tally, $this->file, $this->frames, $this->quantisers, $this->level, $ends);
    }

    public function soundingAs(?SoundLevel $level): self
    {
        return new self($this->reading, $this->tally, $this->file, $this->frames, $this->quantisers, $level, $this->ends);
    }
}
