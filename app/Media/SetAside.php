<?php

namespace App\Media;

use OuterCrate\Naming\FileName;

/** Puts a file of a watch folder out of the way, with a note of the reason beside it. */
final class SetAside
{
    public const FOLDER = 'Set aside';

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
