<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Video;

use OuterCrate\Units\Bitrate;

/** An encoder that does not open above some average bitrate, whatever the codec's levels allow. */
interface LimitsBitrate
{
    public function mostAverage(): Bitrate;
}
