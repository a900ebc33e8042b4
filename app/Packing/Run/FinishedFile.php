<?php

namespace App\Packing\Run;

use App\Media\Bin;
use App\Media\FileProblem;
use App\Media\OutputFile;
use App\Media\Scratch;
use OuterCrate\Encoding\Passes\Pass;

/**
 * A file that the engine had finished when its owner was ended while it was checked: the next owner takes it over and checks it, and
 * encodes nothing again. It is known by a mark in the run's working folder.
 */
final class FinishedFile
{
    private const MARK = 'finished';

    /** Another number after each start of the machine (random(4)). */
    private const BOOT = '/proc/sys/kernel/random/boot_id';

    /**
     * Its pass came to its end, and wrote all of it.
     *
     * @param  bool  $tagged  it has the boxes and elements as well that are put into it afterwards
     */
    public static function mark(FileInProgress $file, Pass $pass, bool $tagged): void
    {
        $path = $file->output()->partial;
        // The engine wrote to it since it was looked at last.
        clearstatcache(true, $path);
        $mark = ['pass' => self::of($file, $pass), 'path' => $path, 'bytes' => Bin::bytes($path), 'tagged' => $tagged];
        $text = json_encode($mark, JSON_THROW_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE);
        try {
            OutputFile::replace("{$file->scratch->path}/".self::MARK, $text);
        } catch (FileProblem) {
            // Without it the file is made again, should it come to that.
        }
    }

    /**
     * Gives this attempt the file that an earlier one finished with the same pass.
     *
     * @return bool|null whether it is tagged; null where there is no such file
     */
    public static function takeOver(FileInProgress $file, Pass $pass): ?bool
    {
        $mark = self::read($file->scratch);
        $path = (string) ($mark['path'] ?? '');
        if ($path === '' || $path === $file->output()->partial) {
            return null;
        }
        $holds = $mark['pass'] === self::of($file, $pass) && file_exists($path) && Bin::bytes($path) === $mark['bytes'];
        if ($holds && $file->output()->takeOver($path)) {
            self::mark($file, $pass, $mark['tagged']);

            return $mark['tagged'];
        }
        OutputFile::remove($path);

        return null;
    }

    /** Path of such a file; null where there is none. */
    public static function left(Scratch $scratch): ?string
    {
        $path = self::read($scratch)['path'] ?? null;

        return is_string($path) ? $path : null;
    }

    /**
     * What it was made by. Part of it is the time since which this machine runs: what a disk has of a file that was written before that,
     * nobody knows.
     */
    private static function of(FileInProgress $file, Pass $pass): string
    {
        return hash('xxh128', implode("\0", [
            (string) @file_get_contents(self::BOOT), $file->run->source, ...$pass->input, '', ...$pass->arguments, '', $pass->boxes,
            $pass->elements, (string) $pass->images,
        ]));
    }

    /** @return array<mixed> */
    private static function read(Scratch $scratch): array
    {
        $mark = json_decode($scratch->whole(self::MARK), true);

        return is_array($mark) ? $mark : [];
    }
}
