<?php

namespace App\Media;

use Closure;

/** SHA-256 and xxHash64 of a file in one reading, which can take minutes: in pieces, so that work goes on being looked after. */
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
        return self::both($path, $tick)['sha256'];
    }

    /**
     * @param  Closure(): void|null  $tick  called after each piece
     * @return array{sha256: string, xxh64: string} in small hexadecimal letters
     *
     * @throws FileProblem
     */
    public static function both(string $path, ?Closure $tick = null): array
    {
        $file = @fopen($path, 'rb') ?: throw new FileProblem('The finished file has gone from its folder.', $path, 'Pack again.');
        $hashes = ['sha256' => hash_init('sha256'), 'xxh64' => hash_init('xxh64')];
        while (! feof($file)) {
            $piece = (string) fread($file, self::PIECE);
            array_map(fn ($hash): bool => hash_update($hash, $piece), $hashes);
            $tick === null ?: $tick();
        }
        fclose($file);

        return array_map(hash_final(...), $hashes);
    }
}
