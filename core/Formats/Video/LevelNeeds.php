<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Video;

use OuterCrate\Units\Bitrate;
use OuterCrate\Units\Fraction;
use OuterCrate\Units\FrameRate;
use OuterCrate\Units\FrameSize;

/** What a stream asks of a decoder, and so of its level. */
final readonly class LevelNeeds
{
    /**
     * @param  Bitrate|null  $peak  null where no rate is set
     * @param  int  $references  frames that the decoder must keep; 0 where that is left to the encoder
     */
    public function __construct(public FrameSize $size, public FrameRate $rate, public ?Bitrate $peak = null, public int $references = 0)
    {
    }

    public function pixelsPerSecond(): Fraction
    {
        return $this->rate->perSecond->times($this->size->pixels());
    }

    public function longerSide(): int
    {
        return max($this->size->width, $this->size->height);
    }

    /** A limit on the rate in words, or null when the peak keeps it. */
    public function overRate(int $bitsPerSecond): ?string
    {
        if ($bitsPerSecond < 1) {
            return 'a profile that this level does not have';
        }

        return $this->peak === null || $this->peak->bitsPerSecond <= $bitsPerSecond
            ? null
            : "a peak of {$this->peak} over ".new Bitrate($bitsPerSecond);
    }

    /** A limit on the picture in words, or null when its pixels keep it. */
    public function overPixels(int $pixels): ?string
    {
        return $this->size->pixels() <= $pixels ? null : "{$this->size} over {$pixels} pixels in a picture";
    }

    /** A limit on pixels per second in words, or null when they keep it. */
    public function overPixelRate(int $pixelsPerSecond): ?string
    {
        return $this->pixelsPerSecond()->compare($pixelsPerSecond) <= 0
            ? null
            : "{$this->size} at {$this->rate->label()} fps over {$pixelsPerSecond} pixels in a second";
    }

    public function overSide(int $pixels): ?string
    {
        return $this->longerSide() <= $pixels ? null : "a side of {$this->longerSide()} over {$pixels} pixels";
    }
}
