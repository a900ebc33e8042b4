<?php

namespace App\Teaching;

use OuterCrate\Teaching\SeenRendition;

/** What a host made, held against the upload. */
final readonly class MeasuredRendition
{
    /**
     * @param  float  $decibels  SSIM of the upload, over the pieces
     * @param  float  $pieceRate  bits per second of the picture within the pieces
     */
    public function __construct(public SeenFile $file, public SeenRendition $seen, public float $decibels, public float $pieceRate)
    {
    }
}
