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
    /** Containers that tell how wide a picture is shown in whole pixels, and no shape of one (RFC 9559, 5.1.4.1.28.12 DisplayWidth). */
    private const WHOLE_PIXELS = ['matroska', 'webm'];

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
        if ($video === null) {
            return [];
        }
        $aspect = Fraction::tryParse($planned->text('sampleAspect')) ?? new Fraction(1);
        $same = $planned->int('width') === $video->size->width && $planned->int('height') === $video->size->height
            && ($aspect->equals($video->sampleAspect) || self::isRounded($aspect, $made));

        return $same ? [] : [new Difference(
            FrameSizeCell::NAME,
            $planned->text('label') ?? '',
            (string) $video->size,
            "The frame came out as {$video->size}, pixels {$video->pixelShape()}.",
        )];
    }

    /** The shape of a pixel is what was planned, as far as its container can tell. */
    private static function isRounded(Fraction $aspect, Made $made): bool
    {
        $video = $made->reading->mainVideo();
        $shown = static fn (Fraction $shape): int => $shape->times($video->size->width ?? 0)->round();

        return $video !== null && in_array($made->reading->container, self::WHOLE_PIXELS, true)
            && $shown($aspect) === $shown($video->sampleAspect);
    }
}
