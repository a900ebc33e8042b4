<?php

namespace App\Media;

use Closure;
use Illuminate\Support\Facades\File;

/**
 * What transit tests made, kept by what it was made of: pieces, encodings and figures. The same step of another test is not done
 * again; an interrupted one loses nothing. Beyond its limit the store forgets what was not looked at for longest.
 */
class StepStore
{
    /** How what lies here is made and read; counted up when that changes. */
    private const VERSION = '19';

    private readonly string $folder;

    public function __construct()
    {
        $this->folder = config('crate.derived').'/transit';
    }

    /** @param  string|int|float|null  ...$of  everything that the result depends on */
    public static function key(string|int|float|null ...$of): string
    {
        return hash('xxh128', implode("\0", [self::VERSION, ...array_map(strval(...), $of)]));
    }

    /**
     * The file of this key.
     *
     * @param  string  $ending  of its name
     * @param  Closure(string): void  $make  writes it to a path; what it throws leaves nothing behind
     * @return string its path
     */
    public function file(string $key, string $ending, Closure $make): string
    {
        OutputFile::needFolder($this->folder);
        $path = "{$this->folder}/{$key}.{$ending}";
        if (is_file($path)) {
            @touch($path);

            return $path;
        }
        $partial = "{$this->folder}/.{$key}.".bin2hex(random_bytes(4)).".partial.{$ending}";
        try {
            $make($partial);
            rename($partial, $path);
        } finally {
            @unlink($partial);
        }

        return $path;
    }

    /**
     * Figures of this key.
     *
     * @param  Closure(): array<mixed>  $find
     * @return array<mixed>
     */
    public function figures(string $key, Closure $find): array
    {
        $path = $this->file($key, 'json', function (string $partial) use ($find): void {
            OutputFile::write($partial, json_encode($find(), JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION));
        });

        return self::decoded($path);
    }

    /** The path of a file by its name; null where it was forgotten. */
    public function find(string $name): ?string
    {
        $path = "{$this->folder}/".basename($name);

        return is_file($path) ? $path : null;
    }

    /**
     * Figures that were found before, by the name of their file; null where they were forgotten.
     *
     * @return array<mixed>|null
     */
    public function known(string $name): ?array
    {
        $path = $this->find($name);

        return $path === null ? null : self::decoded($path);
    }

    /** Has a file of the store, by its name, count as looked at now. */
    public function touch(string $name): void
    {
        $path = $this->find($name);
        $path === null || @touch($path);
    }

    /** Bytes of all that is kept. */
    public function bytes(): int
    {
        return is_dir($this->folder) ? Bin::bytes($this->folder) : 0;
    }

    /** @return list<string> paths of finished steps */
    public function files(): array
    {
        return glob("{$this->folder}/*") ?: [];
    }

    /** Forgets the oldest until no more than this many bytes are left, and what a test that was ended left half done. */
    public function prune(?int $most = null): void
    {
        $most ??= (int) config('crate.transit.bytes');
        $times = [];
        foreach (is_dir($this->folder) ? File::files($this->folder, true) : [] as $file) {
            // Another worker may give a file its name meanwhile, or forget it.
            $time = @filemtime($file->getPathname());
            if ($time === false) {
                continue;
            }
            if (str_starts_with($file->getFilename(), '.')) {
                // Nothing is being made that has not been written to for an hour.
                $time > time() - 3600 || @unlink($file->getPathname());

                continue;
            }
            $times[$file->getPathname()] = $time;
        }
        arsort($times);
        $bytes = 0;
        foreach (array_keys($times) as $path) {
            $bytes += (int) @filesize($path);
            if ($bytes > $most) {
                @unlink($path);
            }
        }
    }

    /** @return array<mixed> */
    private static function decoded(string $path): array
    {
        return json_decode((string) file_get_contents($path), true, 64, JSON_THROW_ON_ERROR);
    }
}
