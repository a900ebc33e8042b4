<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Video;

use OuterCrate\Formats\Picture\PixelFormat;

/** Image encoders take the samples of a pixel side by side, in the byte order of their format. */
final class StillPixels
{
    /** @return list<string> */
    public static function of(PixelFormat $format, string $order): array
    {
        $name = $format->alpha ? 'rgba' : 'rgb';

        return ['-pix_fmt', $name.match (true) {
            $format->bitDepth > 8 => ($format->alpha ? '64' : '48').$order,
            default => $format->alpha ? '' : '24',
        }];
    }
}
