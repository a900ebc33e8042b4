<?php

declare(strict_types=1);

namespace OuterCrate\Hosts\Recompression;

use OuterCrate\Units\FrameRate;
use OuterCrate\Units\FrameSize;

/** What a host looks at when it chooses what to do to an upload. */
final readonly class Upload
{
    public function __construct(public FrameSize $frame, public FrameRate $frameRate, public bool $hdr)
    {
    }
}
