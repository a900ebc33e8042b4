<?php

declare(strict_types=1);

namespace OuterCrate\Hosts\Asks;

use OuterCrate\Units\Bitrate;
use OuterCrate\Units\Fraction;
use OuterCrate\Units\FrameSize;

/** What a host asks for one class of frame size. */
final readonly class BitrateRow
{
    /**
     * @param  int  $shorterSide  shorter side of the frame in pixels, the name of the class: 1080, 720 …
     * @param  RateRange  $normal  average for frame rates up to the host's line
     * @param  RateRange  $high  average for frame rates above it
     * @param  Bitrate|null  $peak  the most it wants at any time
     * @param  RateRange|null  $hdr  the same for HDR; null where the host's factor says it
     */
    public function __construct(
        public int $shorterSide,
        public RateRange $normal,
        public RateRange $high,
        public ?Bitrate $peak,
        public ?RateRange $hdr = null,
        public ?RateRange $hdrHigh = null,
    ) {
    }

    /** Pixels of the 16:9 frame that gives the class its name. */
    public function pixels(): int
    {
        return intdiv($this->shorterSide * $this->shorterSide * 16, 9);
    }

    /**
     * A frame of this shorter side is of the class, and one as wide as its 16:9 frame: a film's 1920×800 is 1080 lines with bars left
     * out. A pixel more or less is the rounding of 853⅓ to 854.
     */
    public function holds(FrameSize $size): bool
    {
        return $size->shorterSide() === $this->shorterSide
            || ($size->shorterSide() < $this->shorterSide && abs(max($size->width, $size->height) - $this->shorterSide * 16 / 9) <= 1);
    }

    /** @param  Fraction  $hdrFactor  where the row says nothing of HDR itself */
    public function rate(bool $high, bool $hdr, Fraction $hdrFactor): RateRange
    {
        $sdr = $high ? $this->high : $this->normal;
        $own = $high ? $this->hdrHigh ?? $this->hdr : $this->hdr;

        return $hdr ? $own ?? $sdr->times($hdrFactor) : $sdr;
    }
}
