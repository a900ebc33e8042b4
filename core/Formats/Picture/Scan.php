<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Picture;

/** How a frame was scanned, and for interlaced frames which field comes first in time. */
enum Scan: string
{
    case Progressive = 'progressive';
    case TopFieldFirst = 'tff';
    case BottomFieldFirst = 'bff';

    public function isInterlaced(): bool
    {
        return $this !== self::Progressive;
    }

    public function label(): string
    {
        return match ($this) {
            self::Progressive => 'progressive',
            self::TopFieldFirst => 'interlaced, top field first',
            self::BottomFieldFirst => 'interlaced, bottom field first',
        };
    }
}
