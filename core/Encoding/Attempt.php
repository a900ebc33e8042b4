<?php

declare(strict_types=1);

namespace OuterCrate\Encoding;

use OuterCrate\Planning\Made;
use OuterCrate\Units\Bitrate;

/** What a file came to for what its encoder was asked. */
final readonly class Attempt
{
    public function __construct(public Bitrate $aimed, public Made $made)
    {
    }
}
