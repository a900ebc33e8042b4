<?php

declare(strict_types=1);

namespace OuterCrate\Transit;

use OuterCrate\Estimates\Sampling\Sample;
use OuterCrate\Estimates\SizeEstimate;
use OuterCrate\Planning\Plan;
use OuterCrate\Reading\Reading;

/** One way to encode an upload, with what is known of the whole file. */
final readonly class Candidate
{
    /** Candidates that one test takes. */
    public const MOST = 60;

    /**
     * @param  int  $bytes  of the file
     * @param  float  $making  seconds
     * @param  float  $sending  seconds
     * @param  Plan|null  $master  that is made of the cut first, and the upload of it; null where it is made of the cut
     * @param  bool  $sampled  whether its size is what pieces came to that were encoded for it before
     */
    public function __construct(
        public string $name,
        public Plan $plan,
        public int $bytes,
        public float $making,
        public float $sending,
        public ?Plan $master = null,
        public bool $sampled = false,
    ) {
    }

    /**
     * The same with the size that it comes to. An average is a promise that rate control keeps; but what a quality takes, and a picture
     * that does not use its average up, is known only when pieces were encoded. Those that a person chose stand for themselves alone.
     *
     * @param  float  $bitsPerSecond  of the picture of the whole, as its pieces tell
     * @param  non-empty-list<TestPiece>  $pieces
     */
    public function comingTo(float $bitsPerSecond, array $pieces, Reading $cut): self
    {
        $average = $this->plan->bitrate->average;
        $isKept = $average !== null && $bitsPerSecond >= (1 - HoldRate::MOST_OFF) * $average->bitsPerSecond;
        $areChosen = array_filter($pieces, static fn (TestPiece $piece): bool => $piece->why === Why::Chosen) !== [];
        if ($this->sampled || $isKept || $areChosen) {
            return $this;
        }
        $perFrame = $bitsPerSecond / 8 / $this->plan->frameRate->rate->perSecond->toFloat();
        $frames = array_sum(array_map(static fn (TestPiece $piece): int => $piece->frames->count(), $pieces));
        $sample = new Sample($perFrame, 0, null, $frames, ampleBytesPerFrame: $perFrame);
        $bytes = SizeEstimate::of($this->plan, $cut, $sample)->bytes;

        return new self(
            $this->name,
            $this->plan,
            $bytes,
            $this->making,
            $this->sending * $bytes / max(1, $this->bytes),
            $this->master,
            $this->sampled,
        );
    }
}
