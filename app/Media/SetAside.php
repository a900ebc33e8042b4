<?php

namespace App\Media;

use OuterCrate\Naming\FileName;

/** Puts a file of a watch folder out of the way, with a note of the reason beside it. */
final class SetAside
{
    public const FOLDER = 'Set aside';

    /**
     * Whether a file is as it was seen, and no process of this machine has it open for writing. What others have open only root can see
     * (proc(5), PID/fd): for them the size and time are what there is to go by.
     *
     * @param  int  $modified  seconds since 1970
     */
    public static function isAtRest(string $path, int $bytes, int $modified): bool
    {
        clearstatcache(true, $path);
        $stat = @stat($path);
        if ($stat === false || $stat['size'] !== $bytes || $stat['mtime'] !== $modified) {
            return false;
        }
        foreach (glob('/proc/[0-9]*/fd/*', GLOB_NOSORT) ?: [] as $descriptor) {
            $open = @stat($descriptor);
            if ($open !== false && $open['ino'] === $stat['ino'] && $open['dev'] === $stat['dev'] && self::isForWriting($descriptor)) {
                return false;
            }
        }

        return true;
    }

    /** The flags of an open file, in octal: 1 and 2 are for writing (open(2)). */
    private static function isForWriting(string $descriptor): bool
    {
        $info = (string) @file_get_contents(str_replace('/fd/', '/fdinfo/', $descriptor));

        return preg_match('~^flags:\s+([0-7]+)~m', $info, $m) === 1 && (octdec($m[1]) & 3) !== 0;
    }

    /**
     * @return string where it lies now
     *
     * @throws FileProblem
     */
    public static function file(string $path, string $reason): string
    {
        $folder = dirname($path).'/'.self::FOLDER;
        OutputFile::needFolder($folder);
        for ($version = 1; file_exists($there = "{$folder}/".FileName::version(basename($path), $version)); $version++) {
            continue;
        }
        @rename($path, $there) ?: throw new FileProblem('A file could not be set aside.', $path, 'Look who may write in its folder.');
        OutputFile::replace("{$there}.txt", "{$reason}\n");

        return $there;
    }
}
