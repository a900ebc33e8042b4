<?php

declare(strict_types=1);

namespace OuterCrate\Estimates;

/** A run that waits or is being made, as far as its time goes. */
final readonly class QueuedRun
{
    /**
     * @param  float  $seconds  that it is expected to take
     * @param  float  $share  of it that is done, 0 to 1
     * @param  int|null  $secondsLeft  as one that is being made says itself; null where it says nothing
     */
    public function __construct(
        public float $seconds,
        public float $share = 0.0,
        public ?int $secondsLeft = null,
        public bool $isPaused = false,
    ) {
    }

    public function left(): float
    {
        return $this->secondsLeft ?? $this->seconds * (1 - $this->share);
    }
}
