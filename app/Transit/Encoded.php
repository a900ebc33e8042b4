<?php

namespace App\Transit;

use OuterCrate\Planning\Plan;
use OuterCrate\Reading\Reading;

/** The pieces of a reel as an upload, or as a host's rendition. */
final readonly class Encoded
{
    /**
     * @param  string  $key  of its content
     * @param  Reading  $reading  of it, or of one that the same arguments made of the same frames at another rate: sizes and rates in it
     *     are not its own
     * @param  Plan  $plan  that it was made by
     * @param  float  $bitsPerSecond  of the picture, that the whole would come to with what made the pieces
     * @param  float|null  $wanted  bits per second that it was to come to; null where its quality or its codec leads
     */
    public function __construct(
        public string $path,
        public string $key,
        public Reading $reading,
        public Plan $plan,
        public float $bitsPerSecond,
        public ?float $wanted,
    ) {
    }

    public function material(): Material
    {
        return new Material($this->path, $this->key, $this->reading);
    }
}
