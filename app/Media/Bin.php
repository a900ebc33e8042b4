<?php

namespace App\Media;

use Illuminate\Support\Facades\File;

/** Where files lie that were cleared away: in a hidden folder beside their place, so that nothing is copied to another drive. */
final class Bin
{
    private const FOLDER = '.cleared';

    /** Where a file will lie. */
    public static function place(string $path): string
    {
        return dirname($path).'/'.self::FOLDER.'/'.bin2hex(random_bytes(4)).'-'.basename($path);
    }

    /** @throws FileProblem */
    public static function put(string $path, string $there): void
    {
        OutputFile::needFolder(dirname($there));
        @rename($path, $there) ?: throw new FileProblem('A file could not be cleared away.', $path, 'Look who may write in its folder.');
    }

    /** @throws FileProblem where its place was taken, or it is gone */
    public static function takeBack(string $cleared, string $path): void
    {
        if (file_exists($path)) {
            throw new FileProblem('Another file lies at its place by now.', $path, 'Move that one, then put it back.');
        }
        OutputFile::needFolder(dirname($path));
        @rename($cleared, $path) ?: throw new FileProblem('A cleared file is no longer there.', $cleared, 'Make it again from the queue.');
        @rmdir(dirname($cleared));
    }

    public static function empty(string $cleared): void
    {
        is_dir($cleared) ? File::deleteDirectory($cleared) : @unlink($cleared);
        @rmdir(dirname($cleared));
    }

    /** Deletes a file if it still exists. */
    public static function delete(string $path): void
    {
        @unlink($path);
    }

    /** Bytes of a file, or of all files below a folder. */
    public static function bytes(string $path): int
    {
        if (! is_dir($path)) {
            return (int) @filesize($path);
        }

        return array_sum(array_map(fn ($file): int => (int) $file->getSize(), File::allFiles($path, true)));
    }
}
