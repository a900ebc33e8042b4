<?php

declare(strict_types=1);

namespace OuterCrate\Planning;

use OuterCrate\Hosts\Host;
use OuterCrate\Pieces\Piece;
use OuterCrate\Presets\Preset;
use OuterCrate\Presets\Rules;
use OuterCrate\Units\FrameRange;

/** What is asked for one output: a preset, the host it goes to, and what the person changed. */
final readonly class OutputSpec
{
    /**
     * @param  FrameRange|null  $range  frames of the cut to deliver; null for all
     * @param  string|null  $fault  why its preset or its host is not the one that was asked for, as a sentence
     * @param  string|null  $instead  slug of a preset to take in its place
     * @param  Changed|null  $changed  what became of its preset and its host since they were taken
     * @param  Piece|null  $piece  that it is, where the cut goes out in several
     * @param  bool  $ownRange  whether the range is this output's own and does not follow the cut's
     */
    public function __construct(
        public Preset $preset,
        public ?Host $host,
        public Rules $edits,
        public ?FrameRange $range = null,
        public bool $ownRange = false,
        public ?string $fault = null,
        public ?string $instead = null,
        public ?Changed $changed = null,
        public ?Piece $piece = null,
    ) {
    }

    /** The same for another host, or with what changed. */
    public function with(?Host $host = null, ?Changed $changed = null): self
    {
        return new self(
            $this->preset,
            $host ?? $this->host,
            $this->edits,
            $this->range,
            $this->ownRange,
            $this->fault,
            $this->instead,
            $changed ?? $this->changed,
            $this->piece,
        );
    }
}
