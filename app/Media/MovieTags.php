<?php

namespace App\Media;

use Closure;
use InvalidArgumentException;
use OuterCrate\Encoding\Boxes\MovieIndex;
use OuterCrate\Reading\Boxes\Box;
use OuterCrate\Reading\Boxes\BoxReader;

/** Puts boxes for the picture into a finished MP4 or MOV file: 360 projection, HDR10 metadata. */
class MovieTags
{
    /** Ending of the copy that is written where the index comes first. */
    public const COPY = '.tagged';

    private const PIECE = 32 * 1024 * 1024;

    /**
     * Where the index comes last, only it is written anew; where it comes first, the file is written once more behind it.
     *
     * @param  Closure(): void|null  $tick  called now and then while the file is written once more
     *
     * @throws FileProblem
     */
    public static function put(string $path, string $boxes, ?Closure $tick = null): void
    {
        $file = @fopen($path, 'r+b') ?: throw new FileProblem('The finished file has gone from its folder.', $path, 'Pack again.');
        try {
            $bytes = (int) fstat($file)['size'];
            $outermost = (new BoxReader($file, $bytes))->outermost();
            $movie = self::of($outermost, 'moov');
            $media = self::of($outermost, 'mdat');
            if ($movie === null || $media === null) {
                throw new FileProblem('The finished file has no index.', $path, 'Pack again.');
            }
            $index = new MovieIndex((string) stream_get_contents($file, $movie->bytes() + 8, $movie->start - 8));
            $index->add($boxes, $media->start > $movie->start);
            $media->start > $movie->start
                ? self::rewrite($file, $path, $movie, $index, $tick)
                : self::replaceEnd($file, $movie, $bytes, $index);
        } catch (InvalidArgumentException $e) {
            throw new FileProblem(
                'The 360 or HDR metadata could not be put into the finished file. '.$e->getMessage(),
                $path,
                'Pack again.',
            );
        } finally {
            fclose($file);
        }
    }

    /** @param  resource  $file */
    private static function replaceEnd($file, Box $movie, int $bytes, MovieIndex $index): void
    {
        $behind = $bytes > $movie->end ? (string) stream_get_contents($file, $bytes - $movie->end, $movie->end) : '';
        fseek($file, $movie->start - 8);
        self::write($file, $index->bytes().$behind);
    }

    /** @param  resource  $file */
    private static function rewrite($file, string $path, Box $movie, MovieIndex $index, ?Closure $tick): void
    {
        $copy = $path.self::COPY;
        $target = fopen($copy, 'w+b') ?: throw new FileProblem(
            'The folder cannot be written to.',
            dirname($path),
            'Change who may write there, and pack again.',
        );
        try {
            rewind($file);
            stream_copy_to_stream($file, $target, $movie->start - 8);
            self::write($target, $index->bytes());
            fseek($file, $movie->end);
            while (stream_copy_to_stream($file, $target, self::PIECE) > 0) {
                $tick === null ?: $tick();
            }
            if (! fflush($target) || ftell($target) !== fstat($file)['size'] + strlen($index->bytes()) - $movie->bytes() - 8) {
                throw new FileProblem('The drive filled up while the file was finished.', $path, 'Make room and pack again.');
            }
            rename($copy, $path);
        } finally {
            fclose($target);
            is_file($copy) && unlink($copy);
        }
    }

    /** @param  resource  $file */
    private static function write($file, string $bytes): void
    {
        if (fwrite($file, $bytes) !== strlen($bytes)) {
            throw new FileProblem('The drive filled up while the file was finished.', 'moov', 'Make room and pack again.');
        }
    }

    /** @param  list<Box>  $boxes */
    private static function of(array $boxes, string $type): ?Box
    {
        return array_values(array_filter($boxes, fn (Box $box): bool => $box->type === $type))[0] ?? null;
    }
}
