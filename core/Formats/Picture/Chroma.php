<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Picture;

/** Chroma sampling of a picture (ISO/IEC 14496-10, 6.2). */
enum Chroma: string
{
    case C420 = '4:2:0';
    case C422 = '4:2:2';
    case C444 = '4:4:4';
    case Rgb = 'RGB';

    /** Chroma samples of a 2×2 block of pixels that carry the most detail come first. */
    public function isFinerThan(self $other): bool
    {
        return $this->samplesPerPixel() > $other->samplesPerPixel();
    }

    /** One sample of chroma stands for two pixels beside each other, or more. */
    public function pairsPixels(): bool
    {
        return $this === self::C420 || $this === self::C422;
    }

    /** Samples of all components for one pixel. */
    public function samplesPerPixel(): float
    {
        return match ($this) {
            self::C420 => 1.5,
            self::C422 => 2.0,
            self::C444, self::Rgb => 3.0,
        };
    }
}
