<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\Colour;

use OuterCrate\Formats\Picture\Colour;
use OuterCrate\Json\Fields;
use OuterCrate\Planning\Difference;
use OuterCrate\Planning\Made;
use OuterCrate\Reading\VideoReading;

/** Tags, sampling and depth of a finished file against the plan. */
final class CompareColour
{
    public static function found(Made $made): string
    {
        return self::words($made->reading->mainVideo());
    }

    /** BT.709 · 10-bit 4:2:2. */
    public static function words(?VideoReading $video): string
    {
        return $video === null
            ? '–'
            : "{$video->colour->label()} · {$video->pixelFormat->bitDepth}-bit {$video->pixelFormat->chroma->value}";
    }

    /** @return list<Difference> */
    public static function differences(Fields $planned, Made $made): array
    {
        $video = $made->reading->mainVideo();
        if ($video === null) {
            return [];
        }
        $wanted = new Colour(
            $planned->text('primaries'),
            $planned->text('transfer'),
            $planned->text('matrix'),
            $planned->text('range') === 'full',
        );
        $depth = $planned->int('bitDepth');
        $stored = $video->pixelFormat;
        // What 4444 stores has 12 bits, whatever it was given (SMPTE RDD 36, 6.1).
        $deep = $depth === $stored->bitDepth || ($video->codec === 'prores' && $depth === 10 && $stored->bitDepth === 12);
        $same =
            $deep && $planned->text('chroma') === $stored->chroma->value && (! $wanted->isTagged() || $wanted->showsLike($video->colour));
        $found = self::words($video);

        return $same ? [] : [new Difference(ColourCell::NAME, $planned->text('label') ?? '', $found, "The colour came out as {$found}.")];
    }
}
