<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\FrameSize;

use OuterCrate\Json\Fields;
use OuterCrate\Planning\Difference;
use OuterCrate\Planning\Made;
use OuterCrate\Reading\VideoReading;
use OuterCrate\Units\Fraction;

/** The frame of a finished file against the plan. */
final class CompareFrameSize
{
    public static function found(Made $made): string
    {
        return self::words($made->reading->mainVideo());
    }

    /** 720×480 · 8:9 pixels. */
    public static function words(?VideoReading $video): string
    {
        return $video === null ? '–' : $video->size.($video->hasSquarePixels() ? '' : " · {$video->pixelShape()} pixels");
    }

    /** @return list<Difference> */
    public static function differences(Fields $planned, Made $made): array
    {
        $video = $made->reading->mainVideo();
        $aspect = Fraction::tryParse($planned->text('sampleAspect')) ?? new Fraction(1);
        $same = $video === null || ($planned->int('width') === $video->size->width && $planned->int('height') === $video->size->height
            && $aspect->equals($video->sampleAspect));

        return $same ? [] : [new Difference(
            FrameSizeCell::NAME,
            $planned->text('label') ?? '',
            (string) $video->size,
            "The frame came out as {$video->size}, pixels {$video->pixelShape()}.",
        )];
    }
}
