<?php

namespace App\Teaching;

use OuterCrate\Reading\PacketTally;
use OuterCrate\Reading\Reading;
use OuterCrate\Reading\VideoReading;

/** A file that was given to learn from, read packet by packet. */
final readonly class SeenFile
{
    /** @param  string  $fingerprint  of its content */
    public function __construct(
        public string $path,
        public string $fingerprint,
        public Reading $reading,
        public VideoReading $video,
        public PacketTally $tally,
    ) {
    }

    public function name(): string
    {
        return basename($this->path);
    }

    /** Of the picture. */
    public function seconds(): float
    {
        return max(0.001, $this->video->frameRate->secondsOf($this->video->length)->toFloat());
    }

    /** Bits per second of the picture. */
    public function rate(): float
    {
        return 8 * $this->tally->videoBytes / $this->seconds();
    }

    /** Bits per second of all sound. */
    public function audioRate(): float
    {
        return 8 * $this->tally->audioBytes / $this->seconds();
    }
}
