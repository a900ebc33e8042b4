<?php

declare(strict_types=1);

namespace OuterCrate\Transit;

use OuterCrate\Planning\Plan;

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
     */
    public function __construct(
        public string $name,
        public Plan $plan,
        public int $bytes,
        public float $making,
        public float $sending,
        public ?Plan $master = null,
    ) {
    }
}
