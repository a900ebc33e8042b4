<?php

declare(strict_types=1);

namespace OuterCrate\Teaching;

use OuterCrate\Reading\Reading;

/** Tells the upload among files of one picture: a host makes none larger than what it was sent, and of that size none with more bits. */
final class WhichIsUpload
{
    /**
     * @param  non-empty-list<Reading>  $files  each with a picture
     * @return int its place
     */
    public static function of(array $files): int
    {
        $weights = array_map(static function (Reading $file): array {
            $size = $file->mainVideo()?->displaySize();

            return [$size === null ? 0 : $size->width * $size->height, $file->bytes];
        }, $files);
        arsort($weights);

        return (int) array_key_first($weights);
    }
}
