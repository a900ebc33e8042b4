<?php

declare(strict_types=1);

namespace OuterCrate\Encoding;

/** How far a pass has come. */
final readonly class Progress
{
    /**
     * @param  int  $frames  written so far
     * @param  float|null  $framesPerSecond  as the engine measures it
     * @param  int  $bytes  written so far
     * @param  float|null  $seconds  of the output written so far
     */
    public function __construct(
        public int $frames,
        public ?float $framesPerSecond,
        public int $bytes,
        public bool $ended,
        public ?float $seconds = null,
    ) {
    }

    /**
     * Share of the whole, from 0 to 1; of audio that is made alone, which has no frames to count, by its length.
     *
     * @param  int  $frames  of the whole
     * @param  float  $seconds  of the whole
     */
    public function shareOf(int $frames, float $seconds): float
    {
        $share = $this->frames > 0 ? $this->frames / max(1, $frames) : ($this->seconds ?? 0.0) / max(0.001, $seconds);

        return max(0.0, min(1.0, $share));
    }
}
