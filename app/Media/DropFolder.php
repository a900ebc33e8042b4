<?php

namespace App\Media;

use Illuminate\Support\Facades\File;

/** A folder that takes a file piece by piece, under another name until it is whole; somebody else's program watches it. */
final class DropFolder
{
    private const PART = 1_048_576;

    private const ENDING = '.partial';

    public function __construct(private readonly string $path)
    {
    }

    /** Bytes of a file that have arrived, whole or not. */
    public function arrived(string $name): ?int
    {
        clearstatcache();
        foreach ([$name, $name.self::ENDING] as $one) {
            if (is_file("{$this->path}/{$one}")) {
                return (int) filesize("{$this->path}/{$one}");
            }
        }

        return null;
    }

    public function begin(string $name): void
    {
        OutputFile::needFolder($this->path);
        touch("{$this->path}/{$name}".self::ENDING);
    }

    /**
     * Appends a part of a file.
     *
     * @param  callable(int): bool  $onBytes  told of the bytes that were copied; false ends it
     * @return int bytes that were copied
     *
     * @throws FileProblem when the folder takes no more
     */
    public function append(string $name, string $from, int $offset, int $bytes, callable $onBytes): int
    {
        $target = "{$this->path}/{$name}".self::ENDING;
        [$in, $out] = [fopen($from, 'rb'), fopen($target, 'r+b')];
        if ($in === false || $out === false) {
            throw new FileProblem('The folder of the host cannot be written to.', $this->path, 'Mount it again, then go on.');
        }
        fseek($in, $offset);
        fseek($out, $offset);
        $copied = 0;
        while ($copied < $bytes) {
            $part = (string) fread($in, min(self::PART, $bytes - $copied));
            if ($part === '') {
                break;
            }
            if (fwrite($out, $part) !== strlen($part)) {
                throw new FileProblem('The folder of the host is full.', $this->path, 'Make room there, then go on.');
            }
            $copied += strlen($part);
            if (! $onBytes($copied)) {
                break;
            }
        }
        fclose($in);
        fclose($out);

        return $copied;
    }

    /** The file gets its name; nothing is ever replaced. */
    public function finish(string $name): void
    {
        $partial = "{$this->path}/{$name}".self::ENDING;
        if (is_file($partial) && ! is_file("{$this->path}/{$name}")) {
            rename($partial, "{$this->path}/{$name}");
        }
    }

    public function write(string $name, string $content): void
    {
        OutputFile::needFolder(dirname("{$this->path}/{$name}"));
        OutputFile::replace("{$this->path}/{$name}", $content);
    }

    public function takeOut(string $name): void
    {
        @unlink("{$this->path}/{$name}");
    }

    public function path(string $name): string
    {
        return "{$this->path}/{$name}";
    }

    public function remove(): void
    {
        File::deleteDirectory($this->path);
    }
}
