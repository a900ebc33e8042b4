<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Filters;

use OuterCrate\Formats\Picture\ColourSpace;
use OuterCrate\Reading\VideoReading;

/** What the engine's scaler calls the coefficients of luma and chroma. */
final class ScalerMatrix
{
    /** Of a picture; where its file does not say, what players assume by its size. */
    public static function of(VideoReading $video): string
    {
        return self::named(
            $video->colour->matrix ?? ColourSpace::assumedFor($video->size->shorterSide(), $video->size->height)->colour()->matrix,
        );
    }

    /** Of a tag (ITU-T H.273, table 4). RGB has none, and takes those of BT.709 on its way into luma and chroma. */
    public static function named(?string $matrix): string
    {
        return match ($matrix) {
            'bt709', 'gbr' => 'bt709',
            'bt2020nc', 'bt2020c' => 'bt2020',
            'smpte240m' => 'smpte240m',
            'fcc' => 'fcc',
            default => 'bt601',
        };
    }
}
