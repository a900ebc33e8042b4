<?php

declare(strict_types=1);

namespace OuterCrate\Planning\Cells\File;

use OuterCrate\Json\Fields;
use OuterCrate\Planning\Difference;
use OuterCrate\Planning\Made;

/** The name that a finished file got. */
final class CompareFile
{
    public static function found(Made $made): string
    {
        return $made->file;
    }

    /**
     * A file that got another name than planned, because that was taken meanwhile, says so by its name.
     *
     * @return list<Difference>
     */
    public static function differences(Fields $planned, Made $made): array
    {
        return [];
    }
}
