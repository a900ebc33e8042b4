<?php

declare(strict_types=1);

namespace OuterCrate\Transit;

use OuterCrate\Measures\Banding;
use OuterCrate\Measures\Bands;
use OuterCrate\Measures\Grain;
use OuterCrate\Measures\Picture;

/** A window of two frames in a row of a cut, and what every file that is held against it needs to know of it. */
final readonly class ReferenceWindow
{
    public Bands $bands;

    public float $banding;

    public Grain $grain;

    /** @param  int  $lines  of the whole picture */
    public function __construct(public Picture $first, Picture $second, int $lines)
    {
        $this->bands = Bands::of($first->luma);
        $this->banding = Banding::of($first->luma, $lines);
        $this->grain = new Grain($first->luma, $second->luma);
    }
}
