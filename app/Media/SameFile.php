<?php

namespace App\Media;

/** Whether two files are one, byte by byte: a corrected film may have the size of the first, and its beginning and end. */
final class SameFile
{
    /** Bytes up to which files are compared; of larger ones it would take longer than a person waits. */
    public const MOST = 4_000_000_000;

    private const PIECE = 4_194_304;

    /** False also where one of them cannot be read, or is larger than can be compared in a moment. */
    public static function holds(string $first, string $second): bool
    {
        $bytes = @filesize($first);
        if ($bytes === false || $bytes !== @filesize($second) || $bytes > self::MOST) {
            return false;
        }
        $streams = [@fopen($first, 'rb'), @fopen($second, 'rb')];
        try {
            if (in_array(false, $streams, true)) {
                return false;
            }
            do {
                [$one, $other] = [fread($streams[0], self::PIECE), fread($streams[1], self::PIECE)];
                if ($one !== $other) {
                    return false;
                }
            } while ($one !== false && $one !== '');

            return true;
        } finally {
            array_map(fclose(...), array_filter($streams));
        }
    }
}
