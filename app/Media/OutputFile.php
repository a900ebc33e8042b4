<?php

namespace App\Media;

use Illuminate\Support\Facades\File;
use OuterCrate\Naming\FileName;

/**
 * A file in the making: written under a hidden name beside its place, and put there whole, never over another file.
 */
final class OutputFile
{
    /** What is added to the name of a file that another attempt is held against. */
    private const ASIDE = '.aside';

    private function __construct(public readonly string $wanted, public readonly string $partial, private readonly bool $isFolder)
    {
    }

    /**
     * @param  string  $wanted  absolute path of the finished file
     * @param  bool  $isFolder  a folder of images is made in place of a file
     *
     * @throws FileProblem when the folder cannot be made or written to
     */
    public static function at(string $wanted, string $token, bool $isFolder = false): self
    {
        $folder = dirname($wanted);
        self::needFolder($folder);
        $name = basename($wanted);

        $file = new self($wanted, $folder.'/.'.mb_strcut($name, 0, 180).'.'.$token.'.partial', $isFolder);
        if ($isFolder) {
            self::needFolder($file->partial);
        }

        return $file;
    }

    /** @throws FileProblem */
    public static function needFolder(string $folder): void
    {
        if (! is_dir($folder) && ! @mkdir($folder, 0o777, true) && ! is_dir($folder)) {
            throw new FileProblem('The folder cannot be made.', $folder, 'Choose another one, or change who may write there.');
        }
        if (! is_writable($folder)) {
            throw new FileProblem('The folder cannot be written to.', $folder, 'Choose another one, or change who may write there.');
        }
    }

    /** @throws FileProblem when there is no room for it */
    public static function write(string $path, string $content): void
    {
        if (@file_put_contents($path, $content) !== strlen($content)) {
            throw new FileProblem('The drive filled up while the file was finished.', $path, 'Make room and pack again.');
        }
    }

    /**
     * Writes a file that others may be reading: they see it as it was, or as it is from now on.
     *
     * @throws FileProblem
     */
    public static function replace(string $path, string $content): void
    {
        $partial = dirname($path).'/.'.basename($path).'.'.bin2hex(random_bytes(4)).'.partial';
        try {
            self::write($partial, $content);
            @rename($partial, $path) ?: throw new FileProblem(
                'A file could not be put in its place.',
                $path,
                'Look who may write in its folder.',
            );
        } finally {
            is_file($partial) && @unlink($partial);
        }
    }

    /**
     * Flushes the partial file to the disk and gives it its name, or the next free version of it.
     *
     * @return string the path it got
     *
     * @throws FileProblem
     */
    public function publish(): string
    {
        if ($this->isFolder) {
            return $this->publishFolder();
        }
        $handle = @fopen($this->partial, 'r+b') ?: throw new FileProblem(
            'The finished file has gone from its folder.',
            $this->partial,
            'Pack again.',
        );
        $isOnDisk = @fsync($handle);
        fclose($handle);
        if (! $isOnDisk) {
            throw new FileProblem('The drive did not take the finished file: it is full, or failing.', $this->wanted, 'Make room first.');
        }
        for ($version = 1; $version < 10_000; $version++) {
            $path = dirname($this->wanted).'/'.FileName::version(basename($this->wanted), $version);
            // link() fails where the name is taken, in one step; file systems without hard links get a reserved name instead.
            if (@link($this->partial, $path)) {
                @unlink($this->partial);
                self::keepNames(dirname($path));

                return $path;
            }
            if (file_exists($path)) {
                continue;
            }
            $reserved = @fopen($path, 'xb');
            if ($reserved !== false) {
                fclose($reserved);
                if (@rename($this->partial, $path)) {
                    self::keepNames(dirname($path));

                    return $path;
                }
                @unlink($path);
            }
            break;
        }
        throw new FileProblem(
            'The finished file could not be given its name.',
            $this->wanted,
            'Look who may write in its folder, and pack again.',
        );
    }

    /** Where the engine writes: the partial file, or images of these names within the partial folder. */
    public function target(?string $images): string
    {
        // A per cent sign would ask the engine for the image's number.
        return $images === null ? $this->partial : str_replace('%', '%%', $this->partial).'/'.$images;
    }

    /**
     * What an earlier attempt at this file left beside its place when its process was ended.
     *
     * @param  string|null  $but  path of what stays
     * @param  int  $minAge  seconds since the last write; younger files are kept
     */
    public static function discardLeftovers(string $wanted, string $token, ?string $but = null, int $minAge = 0): void
    {
        $pattern = '~^\.(.+)\.'.preg_quote($token, '~').'[^.]*\.partial(?:\.tagged|\.aside)?$~s';
        foreach (@scandir(dirname($wanted)) ?: [] as $left) {
            if (preg_match($pattern, $left, $m) === 1 && self::isNamedAfter(basename($wanted), $m[1])) {
                $path = dirname($wanted)."/{$left}";
                $isOld = $minAge === 0 || time() - (int) @filemtime($path) > $minAge;
                $path === $but || ! $isOld || self::remove($path);
            }
        }
    }

    /** Whether a finished file may have been started under the other name: the same name, or the name without its version. */
    private static function isNamedAfter(string $name, string $begun): bool
    {
        $version = preg_match('~ v(\d{1,5})(\.\w{1,5})?$~', $name, $m) === 1 ? (int) $m[1] : 1;

        return mb_strcut($name, 0, 180) === $begun || FileName::version($begun, $version) === $name;
    }

    /** Makes way for another attempt. */
    public function setAside(): void
    {
        rename($this->partial, $this->partial.self::ASIDE);
    }

    /** The one that was set aside in place of what was made since. */
    public function takeBack(): void
    {
        rename($this->partial.self::ASIDE, $this->partial);
    }

    /** What was made since in place of the one that was set aside. */
    public function forgetOther(): void
    {
        @unlink($this->partial.self::ASIDE);
    }

    /** What an earlier attempt finished becomes what this one made, in one step. */
    public function takeOver(string $finished): bool
    {
        // Of a folder of images there is an empty one already.
        $this->isFolder && @rmdir($this->partial);

        return @rename($finished, $this->partial);
    }

    /** A file, or a folder with all that is in it. */
    public static function remove(string $path): void
    {
        is_dir($path) ? File::deleteDirectory($path) : @unlink($path);
    }

    public function discard(): void
    {
        $this->forgetOther();
        self::remove($this->partial);
        // What was being finished when the process ended.
        @unlink($this->partial.MovieTags::COPY);
    }

    /** Puts a folder's list of names on the disk, where its file system can do that for it alone (fsync(2), notes). */
    private static function keepNames(string $folder): void
    {
        $handle = @fopen($folder, 'rb');
        if ($handle !== false) {
            @fsync($handle);
            fclose($handle);
        }
    }

    /** A folder takes the first free name by being put in the place of an empty one that was just made. */
    private function publishFolder(): string
    {
        for ($version = 1; $version < 10_000; $version++) {
            $path = dirname($this->wanted).'/'.FileName::version(basename($this->wanted), $version);
            if (@mkdir($path)) {
                if (@rename($this->partial, $path)) {
                    self::keepNames(dirname($path));

                    return $path;
                }
                @rmdir($path);
                break;
            }
        }
        throw new FileProblem(
            'The finished folder could not be given its name.',
            $this->wanted,
            'Look who may write beside it, and pack again.',
        );
    }
}
