<?php

namespace App\Media;

/**
 * A file in the making: written under a hidden name beside its place, and put there whole, never over another file.
 */
final class OutputFile
{
    private function __construct(public readonly string $wanted, public readonly string $partial)
    {
    }

    /**
     * @param  string  $wanted  absolute path of the finished file
     *
     * @throws FileProblem when the folder cannot be made or written to
     */
    public static function at(string $wanted, string $token): self
    {
        $folder = dirname($wanted);
        self::needFolder($folder);
        $name = basename($wanted);

        return new self($wanted, $folder.'/.'.mb_strcut($name, 0, 180).'.'.$token.'.partial');
    }

    /** @throws FileProblem */
    public static function needFolder(string $folder): void
    {
        if (! is_dir($folder) && ! @mkdir($folder, 0o777, true) && ! is_dir($folder)) {
            throw new FileProblem('The folder cannot be made. Choose another one, or change who may write there.', $folder);
        }
        if (! is_writable($folder)) {
            throw new FileProblem('The folder cannot be written to. Choose another one, or change who may write there.', $folder);
        }
    }

    /** Bytes free on the volume that the folder lies, or will lie, on; null when it does not say. */
    public static function freeBytes(string $folder): ?int
    {
        while (! is_dir($folder) && $folder !== dirname($folder)) {
            $folder = dirname($folder);
        }
        $free = @disk_free_space($folder);

        return $free === false ? null : (int) $free;
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
        $handle = @fopen($this->partial, 'r+b') ?: throw new FileProblem('The finished file has gone from its folder.', $this->partial);
        fsync($handle);
        fclose($handle);
        for ($version = 1; $version < 10_000; $version++) {
            $path = self::version($this->wanted, $version);
            // link() fails where the name is taken, in one step; file systems without hard links get a reserved name instead.
            if (@link($this->partial, $path)) {
                @unlink($this->partial);

                return $path;
            }
            if (file_exists($path)) {
                continue;
            }
            $reserved = @fopen($path, 'xb');
            if ($reserved !== false) {
                fclose($reserved);
                if (@rename($this->partial, $path)) {
                    return $path;
                }
                @unlink($path);
            }
            break;
        }
        throw new FileProblem('The finished file could not be given its name.', $this->wanted);
    }

    public function discard(): void
    {
        @unlink($this->partial);
    }

    /** `Night firing master.mov`, `Night firing master v2.mov` … */
    public static function version(string $path, int $version): string
    {
        if ($version === 1) {
            return $path;
        }
        $ending = pathinfo($path, PATHINFO_EXTENSION);

        return substr($path, 0, strlen($path) - strlen($ending) - 1)." v{$version}.{$ending}";
    }
}
