<?php

declare(strict_types=1);

namespace OuterCrate\Reading;

/** What a finished file begins and ends with, held against what was decoded of its cut. */
final readonly class Ends
{
    /**
     * @param  int  $decoded  frames of the cut that could be decoded, from where the run began
     * @param  int|null  $counted  frames that it counts from there; null where only a part of it was decoded
     * @param  int  $first  frames of the cut by which the first picture is a later one than planned; 0 also where it cannot be told
     * @param  int  $last  the same of the last picture
     * @param  float|null  $lag  milliseconds by which the sound comes late against the picture; null where it cannot be told
     * @param  Decoded|null  $made  null where only its ends were decoded
     */
    public function __construct(
        public int $decoded,
        public ?int $counted = null,
        public int $first = 0,
        public int $last = 0,
        public ?float $lag = null,
        public ?Decoded $made = null,
    ) {
    }
}
