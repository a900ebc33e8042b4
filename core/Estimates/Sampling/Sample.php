<?php

declare(strict_types=1);

namespace OuterCrate\Estimates\Sampling;

/** What a few pieces of a cut came to when they were really encoded with a plan's settings. */
final readonly class Sample
{
    /**
     * @param  float  $bytesPerFrame  of the picture
     * @param  int  $marginPercent  how far off the whole may be
     * @param  float|null  $secondsPerFrame  that making took on this machine, decoding and filters with it; null where other work
     *     stood beside it
     * @param  int  $frames  that were encoded
     * @param  float|null  $soundBytesPerSecond  of all tracks together; null where there are none
     * @param  float|null  $ampleBytesPerFrame  of the picture where nothing but the peak holds it; null where that was not tried
     * @param  int|null  $file  bytes of the file, where all of it was made in the plan's container
     */
    public function __construct(
        public float $bytesPerFrame,
        public int $marginPercent,
        public ?float $secondsPerFrame,
        public int $frames,
        public ?float $soundBytesPerSecond = null,
        public ?float $ampleBytesPerFrame = null,
        public ?int $file = null,
    ) {
    }

    public function withAmple(float $bytesPerFrame, int $marginPercent): self
    {
        return new self(
            bytesPerFrame: $this->bytesPerFrame,
            marginPercent: $marginPercent,
            secondsPerFrame: $this->secondsPerFrame,
            frames: $this->frames,
            soundBytesPerSecond: $this->soundBytesPerSecond,
            ampleBytesPerFrame: $bytesPerFrame,
            file: $this->file,
        );
    }

    public function untimed(): self
    {
        return new self(
            bytesPerFrame: $this->bytesPerFrame,
            marginPercent: $this->marginPercent,
            secondsPerFrame: null,
            frames: $this->frames,
            soundBytesPerSecond: $this->soundBytesPerSecond,
            ampleBytesPerFrame: $this->ampleBytesPerFrame,
            file: $this->file,
        );
    }
}
