<?php

namespace App\Media;

use Closure;

/** SHA-256 of a file, which can take minutes: in pieces, so that work goes on being looked after. */
final class Checksum
{
    private const PIECE = 8 * 1024 * 1024;

    /**
     * @param  Closure(): void|null  $tick  called after each piece
     * @return string in small hexadecimal letters
     *
     * @throws FileProblem
     */
    public static function of(string $path, ?Closure $tick = null): string
    {
        $file = @fopen($path, 'rb') ?: throw new FileProblem('The finished file has gone from its folder.', $path, 'Pack again.');
        $hash = hash_init('sha256');
        while (! feof($file)) {
            hash_update($hash, (string) fread($file, self::PIECE));
            $tick === null ?: $tick();
        }
        fclose($file);

        return hash_final($hash);
    }
}
