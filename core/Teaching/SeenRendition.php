<?php

declare(strict_types=1);

namespace OuterCrate\Teaching;

use OuterCrate\Units\Bitrate;
use OuterCrate\Units\Fraction;
use OuterCrate\Units\FrameSize;

/** A file that a host made of an upload, as it was read. */
final readonly class SeenRendition
{
    /**
     * @param  string  $name  of the file
     * @param  string  $codec  id of the catalogue
     * @param  Bitrate  $average  of the picture, over the whole file
     * @param  Fraction|null  $keyframeSeconds  from one keyframe to the next, at most; null where the file has only one
     * @param  int|null  $bFrames  in a row, at most; null where it was not told
     */
    public function __construct(
        public string $name,
        public FrameSize $frame,
        public string $codec,
        public Bitrate $average,
        public ?Fraction $keyframeSeconds = null,
        public ?int $bFrames = null,
    ) {
    }

    public function lines(): int
    {
        return $this->frame->shorterSide();
    }
}
