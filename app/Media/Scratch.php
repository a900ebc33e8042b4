<?php

namespace App\Media;

use Illuminate\Support\Facades\File;

/** A folder for work under way, empty at its beginning and gone at its end. */
final readonly class Scratch
{
    private function __construct(public string $path)
    {
    }

    /**
     * @param  string  $name  of its own: what an earlier owner of the name left there is removed
     *
     * @throws FileProblem when the folder cannot be made
     */
    public static function named(string $name): self
    {
        $scratch = new self(config('crate.derived')."/work/{$name}");
        $scratch->remove();
        OutputFile::needFolder($scratch->path);

        return $scratch;
    }

    /**
     * The same with what an earlier owner of the name left there.
     *
     * @throws FileProblem when the folder cannot be made
     */
    public static function kept(string $name): self
    {
        $scratch = new self(config('crate.derived')."/work/{$name}");
        OutputFile::needFolder($scratch->path);

        return $scratch;
    }

    /** Removes what an owner of the name left there. */
    public static function forget(string $name): void
    {
        File::deleteDirectory(config('crate.derived')."/work/{$name}");
    }

    /** @throws FileProblem when the folder cannot be made */
    public static function anywhere(): self
    {
        $scratch = new self(sys_get_temp_dir().'/outer-crate-'.bin2hex(random_bytes(8)));
        OutputFile::needFolder($scratch->path);

        return $scratch;
    }

    /** @return iterable<string> lines of a file that a program left here; none where it left none */
    public function lines(string $name): iterable
    {
        $stream = @fopen("{$this->path}/{$name}", 'rb');
        while ($stream !== false && ($line = fgets($stream, 4096)) !== false) {
            yield $line;
        }
    }

    /** @param  int  $from  offset in bytes, from the end where it is negative */
    public function piece(string $name, int $from, int $bytes): string
    {
        $path = "{$this->path}/{$name}";
        $size = (int) @filesize($path);
        $from = max(0, $from < 0 ? $size + $from : $from);

        return $size <= $from ? '' : (string) @file_get_contents($path, offset: $from, length: $bytes);
    }

    public function whole(string $name): string
    {
        return (string) @file_get_contents("{$this->path}/{$name}");
    }

    /** Leaves a mark: what was done so far is whole. */
    public function mark(string $name): void
    {
        OutputFile::write("{$this->path}/{$name}", '');
    }

    public function holds(string $name): bool
    {
        return is_file("{$this->path}/{$name}");
    }

    /** Takes a file that a program left here to where it is kept. */
    public function moveTo(string $name, string $path): void
    {
        rename("{$this->path}/{$name}", $path);
    }

    public function remove(): void
    {
        File::deleteDirectory($this->path);
    }
}
