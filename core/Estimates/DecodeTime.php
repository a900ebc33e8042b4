<?php

declare(strict_types=1);

namespace OuterCrate\Estimates;

use OuterCrate\Formats\KnownCodecs;
use OuterCrate\Reading\Reading;

/** How long decoding a cut takes. */
final class DecodeTime
{
    /** Seconds for so many frames of its picture. */
    public static function of(Reading $cut, int $frames): float
    {
        $video = $cut->mainVideo();
        if ($video === null) {
            return 0.0;
        }
        $facts = KnownCodecs::facts($video->codec);
        $isDeep = $video->pixelFormat->bitDepth > 8;

        return $frames * $video->size->pixels() / ($isDeep ? $facts->decodedDeepPixels ?? $facts->decodedPixels : $facts->decodedPixels);
    }
}
