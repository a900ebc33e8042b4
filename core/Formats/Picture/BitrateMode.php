<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Picture;

/** How the coder spends bits. */
enum BitrateMode: string
{
    case Quality = 'quality';
    case Cbr = 'cbr';
    case Vbr = 'vbr';
    case Codec = 'codec';
    case Lossless = 'lossless';

    public function label(): string
    {
        return match ($this) {
            self::Quality => 'Quality',
            self::Cbr => 'CBR',
            self::Vbr => 'VBR',
            self::Codec => 'set by codec',
            self::Lossless => 'lossless',
        };
    }

    /** An average (or constant) rate is part of the setting, so the size of the file is known beforehand. */
    public function hasAverage(): bool
    {
        return $this === self::Cbr || $this === self::Vbr;
    }
}
