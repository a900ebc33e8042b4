<?php

namespace App\Media;

/** Pictures that a person brings along. */
final class Pictures
{
    /** Bytes of one at most. */
    private const MOST = 20_000_000;

    /** Pixels of one at most: a small file can unfold to any size. */
    private const PIXELS = 60_000_000;

    private const TAKEN = [IMAGETYPE_JPEG, IMAGETYPE_PNG];

    /**
     * Keeps one as it is.
     *
     * @throws FileProblem when it is none, or too large
     */
    public static function keep(string $bytes, string $path): void
    {
        $todo = 'Choose a JPEG or a PNG.';
        if (strlen($bytes) > self::MOST) {
            throw new FileProblem('The picture is larger than 20 MB.', basename($path), $todo);
        }
        $size = @getimagesizefromstring($bytes);
        if ($size === false || ! in_array($size[2], self::TAKEN, true)) {
            throw new FileProblem('This is no picture.', basename($path), $todo);
        }
        if ($size[0] * $size[1] > self::PIXELS || min($size[0], $size[1]) < 2) {
            $what = "A picture of {$size[0]}×{$size[1]} pixels cannot be a thumbnail.";
            throw new FileProblem($what, basename($path), 'Choose another size.');
        }
        OutputFile::needFolder(dirname($path));
        OutputFile::replace($path, $bytes);
    }
}
