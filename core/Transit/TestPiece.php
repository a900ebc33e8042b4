<?php

declare(strict_types=1);

namespace OuterCrate\Transit;

use OuterCrate\Units\FrameRange;

/** A short span of a cut that is sent through a host. */
final readonly class TestPiece
{
    /**
     * @param  FrameRange  $frames  of the cut
     * @param  float  $share  of the range that it stands for, 0 to 1
     * @param  float  $weight  how much more there is to code in a frame of what it stands for than in one of itself
     * @param  float  $effort  what there is to code in a frame of it, in the units of the small pass over the whole
     * @param  int  $run  frames in a row of the cut, itself among them, in which there is about as much to code; 0 where that is not known
     */
    public function __construct(
        public FrameRange $frames,
        public float $share,
        public float $weight,
        public Why $why,
        public float $effort = 1.0,
        public int $run = 0,
    ) {
    }

    /** Frames for which it goes on in the cut. */
    public function lasts(): int
    {
        return max($this->run, $this->frames->count());
    }

    /**
     * Frames at which pieces begin that lie one after another.
     *
     * @param  list<self>  $pieces
     * @return list<int>
     */
    public static function starts(array $pieces): array
    {
        $starts = [];
        $at = 0;
        foreach ($pieces as $piece) {
            $starts[] = $at;
            $at += $piece->frames->count();
        }

        return $starts;
    }
}
