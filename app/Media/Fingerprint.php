<?php

namespace App\Media;

/** Tells files apart without reading all of them: their size, and a fast hash of head, middle and tail. */
final class Fingerprint
{
    private const PART = 262_144;

    /** Blocks that are read of a file, and their bytes: 8 MB in all, some seconds on a drive that has to seek. */
    private const BLOCKS = 512;

    private const BLOCK = 16_384;

    /** @throws FileProblem when the file cannot be read */
    public static function of(string $path): string
    {
        $stream =
            @fopen($path, 'rb') ?: throw new FileProblem('The file cannot be read.', $path, 'Change who may read it, or choose another.');
        $bytes = (int) fstat($stream)['size'];
        $hash = hash_init('xxh128');
        foreach ([0, intdiv(max(0, $bytes - self::PART), 2), max(0, $bytes - self::PART)] as $start) {
            fseek($stream, $start);
            hash_update($hash, (string) stream_get_contents($stream, self::PART));
        }
        fclose($stream);

        return $bytes.'-'.hash_final($hash);
    }

    /**
     * A hash of blocks spread over the file. It detects an overwrite even if the size and time stamp were restored, unless the changed part
     * is shorter than about a five-hundredth of the file.
     *
     * @throws FileProblem when the file cannot be read
     */
    public static function sampled(string $path): string
    {
        $stream =
            @fopen($path, 'rb') ?: throw new FileProblem('The file cannot be read.', $path, 'Change who may read it, or choose another.');
        $bytes = (int) fstat($stream)['size'];
        $hash = hash_init('xxh128');
        for ($block = 0; $block < self::BLOCKS; $block++) {
            fseek($stream, intdiv(max(0, $bytes - self::BLOCK) * $block, self::BLOCKS - 1));
            hash_update($hash, (string) stream_get_contents($stream, self::BLOCK));
        }
        fclose($stream);

        return $bytes.'-'.hash_final($hash);
    }
}
