<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Boxes;

use OuterCrate\Planning\Plan;
use OuterCrate\Reading\ContentLight;
use OuterCrate\Reading\MasteringDisplay;

/** Boxes for the picture's sample entry that the engine does not write: 360 projection and HDR10 metadata. */
final class PictureBoxes
{
    /** All of them, one after the other; empty when the plan needs none, or its container has no boxes. */
    public static function of(Plan $plan): string
    {
        // Both are told by boxes of ISO base media only; Matroska tells HDR10 metadata in elements.
        if (! $plan->container->container->tellsProjection()) {
            return '';
        }
        $colour = $plan->colour;

        return ($plan->frameSize->projection === null ? '' : self::sphere())
            .($colour->mastering === null ? '' : self::mastering($colour->mastering))
            .($colour->light === null ? '' : self::light($colour->light));
    }

    /** The whole equirectangular sphere, seen with one eye (Spherical Video V2: boxes st3d, sv3d). */
    private static function sphere(): string
    {
        $head = self::box('svhd', "\0\0\0\0Outer Crate\0");
        $pose = self::box('prhd', str_repeat("\0", 16));
        $bounds = self::box('equi', str_repeat("\0", 20));

        return self::box('st3d', str_repeat("\0", 5)).self::box('sv3d', $head.self::box('proj', $pose.$bounds));
    }

    /** ISO/IEC 14496-12, 12.1.7: green, blue, red and white in steps of 0.00002, luminance in steps of 0.0001 cd/m². */
    private static function mastering(MasteringDisplay $mastering): string
    {
        if (preg_match_all('~\d+~', (string) $mastering->inSteps(), $numbers) !== 10) {
            return '';
        }
        $steps = array_map(intval(...), $numbers[0]);

        return self::box('mdcv', pack('n8N2', ...$steps));
    }

    /** ISO/IEC 14496-12, 12.1.6. */
    private static function light(ContentLight $light): string
    {
        return self::box('clli', pack('n2', $light->brightestPixel, $light->brightestFrame));
    }

    private static function box(string $type, string $content): string
    {
        return pack('N', strlen($content) + 8).$type.$content;
    }
}
