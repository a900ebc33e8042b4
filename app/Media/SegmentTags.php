<?php

namespace App\Media;

use InvalidArgumentException;
use OuterCrate\Encoding\Elements\SegmentHead;

/** Puts elements for the picture's colour into a finished Matroska file, in its own place. */
class SegmentTags
{
    /** Bytes from the start within which the tracks lie: their writer puts them before anything else. */
    private const HEAD = 1024 * 1024;

    /** @throws FileProblem */
    public static function put(string $path, string $elements): void
    {
        $file = @fopen($path, 'r+b') ?: throw new FileProblem('The finished file has gone from its folder.', $path, 'Pack again.');
        try {
            $head = SegmentHead::adding((string) fread($file, self::HEAD), $elements);
            if (rewind($file) === false || fwrite($file, $head) !== strlen($head)) {
                throw new FileProblem('The drive did not take the finished file.', $path, 'Look whether it is full, or failing.');
            }
        } catch (InvalidArgumentException $e) {
            throw new FileProblem('The HDR metadata could not be put into the finished file. '.$e->getMessage(), $path, 'Pack again.');
        } finally {
            fclose($file);
        }
    }
}
