<?php

declare(strict_types=1);

namespace OuterCrate\Hosts;

use OuterCrate\Units\Bitrate;

/** What a host asks for one class of frame size. */
final readonly class BitrateRow
{
    /**
     * @param  int  $shorterSide  shorter side of the frame in pixels, the name of the class: 1080, 720 …
     * @param  Bitrate  $normal  average for frame rates up to the host's line
     * @param  Bitrate  $high  average for frame rates above it
     * @param  Bitrate|null  $peak  the most it wants at any time, or the upper end of what it asks
     */
    public function __construct(public int $shorterSide, public Bitrate $normal, public Bitrate $high, public ?Bitrate $peak)
    {
    }
}
