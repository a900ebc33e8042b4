<?php

namespace App\Teaching;

use OuterCrate\Reading\PacketTally;
use OuterCrate\Reading\Reading;
use OuterCrate\Reading\VideoReading;
use OuterCrate\Units\FrameRange;

/** A file that was given to learn from, read packet by packet. */
final readonly class SeenFile
{
    /**
     * @param  string  $fingerprint  of its content
     * @param  list<array{float, int}>  $packets  of the picture: seconds at which it is shown, and bytes
     */
    public function __construct(
        public string $path,
        public string $fingerprint,
        public Reading $reading,
        public VideoReading $video,
        public PacketTally $tally,
        private array $packets,
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

    /**
     * Bits per second of the picture within some spans of frames.
     *
     * @param  list<FrameRange>  $spans  that do not overlap
     */
    public function rateWithin(array $spans): float
    {
        $all = array_sum(array_map(fn (FrameRange $span): int => $span->count(), $spans));
        if ($all >= $this->video->length) {
            return $this->rate();
        }
        $rate = $this->video->frameRate->perSecond->toFloat();
        $starts = $this->video->starts->toFloat();
        $bytes = 0;
        foreach ($this->packets as [$shown, $size]) {
            $frame = (int) round(($shown - $starts) * $rate);
            foreach ($spans as $span) {
                $bytes += $frame >= $span->first && $frame <= $span->last ? $size : 0;
            }
        }

        return 8 * $bytes * $rate / max(1, $all);
    }

    /** Bits per second of all sound. */
    public function audioRate(): float
    {
        return 8 * $this->tally->audioBytes / $this->seconds();
    }
}
