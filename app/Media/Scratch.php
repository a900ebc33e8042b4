<?php

namespace App\Media;

use Closure;
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

    /** The one of a name, if it is there. */
    public static function found(string $name): ?self
    {
        $scratch = new self(config('crate.derived')."/work/{$name}");

        return is_dir($scratch->path) ? $scratch : null;
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

    /** Size of a file; 0 where it is not there. */
    public function bytes(string $name): int
    {
        clearstatcache(true, "{$this->path}/{$name}");

        return (int) @filesize("{$this->path}/{$name}");
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

    /** Removes a file that may be there. */
    public function drop(string $name): void
    {
        @unlink("{$this->path}/{$name}");
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

    /** @return list<string> of the files here */
    public function names(): array
    {
        return array_values(array_diff(@scandir($this->path) ?: [], ['.', '..']));
    }

    /** The file of a name under another one as well, if it is there; names may lead to a folder beside this one. */
    public function alsoAs(string $name, string $other): void
    {
        if (is_file("{$this->path}/{$name}")) {
            @unlink("{$this->path}/{$other}");
            @link("{$this->path}/{$name}", "{$this->path}/{$other}") || copy("{$this->path}/{$name}", "{$this->path}/{$other}");
        }
    }

    /** All files whose names begin alike under what follows in their names as well, in a folder of this one. */
    public function alsoAsAll(string $beginning, string $folder): void
    {
        foreach ($this->names() as $name) {
            str_starts_with($name, $beginning) && $this->alsoAs($name, "{$folder}/".substr($name, strlen($beginning)));
        }
    }

    /**
     * Keeps some of a file's lines as another file, unless there are none.
     *
     * @param  Closure(string): ?string  $own  a line as it is kept, if it is
     */
    public function sift(string $name, string $into, Closure $own): void
    {
        $kept = null;
        foreach ($this->lines($name) as $line) {
            $line = $own($line);
            if ($line !== null) {
                $kept ??= fopen("{$this->path}/{$into}", 'wb') ?: throw new FileProblem(
                    'The working folder cannot be written to.',
                    $this->path,
                    'Make room, or change who may write there.',
                );
                fwrite($kept, $line);
            }
        }
        $kept === null ?: fclose($kept);
    }

    /**
     * Leaves the folder, under another name, to a program that still writes into it.
     *
     * @param  list<string>  $whole  names of what no program writes any more: they stay here
     * @return self the folder that was left
     */
    public function part(array $whole): self
    {
        $left = new self("{$this->path}-".bin2hex(random_bytes(4)));
        rename($this->path, $left->path);
        OutputFile::needFolder($this->path);
        foreach ($whole as $name) {
            $this->alsoAs('../'.basename($left->path)."/{$name}", $name);
        }

        return $left;
    }

    /**
     * Puts a piece of one file behind another.
     *
     * @throws FileProblem
     */
    public function append(string $name, int $from, int $bytes, string $to): void
    {
        $source = @fopen("{$this->path}/{$name}", 'rb');
        $target = @fopen("{$this->path}/{$to}", 'ab');
        $isThere = $source !== false && $target !== false
            && ($bytes === 0 || stream_copy_to_stream($source, $target, $bytes, $from) === $bytes);
        array_map(fn ($file) => $file === false ?: fclose($file), [$source, $target]);
        $isThere ?: throw new FileProblem(
            'What was made for this file is gone, or there is no room.',
            $this->path,
            'Make room and pack again.',
        );
    }

    /**
     * Puts lines behind a file.
     *
     * @param  list<string>  $lines
     *
     * @throws FileProblem
     */
    public function add(string $name, array $lines): void
    {
        if (@file_put_contents("{$this->path}/{$name}", implode('', $lines), FILE_APPEND) === false) {
            throw new FileProblem('The working folder cannot be written to.', $this->path, 'Make room and pack again.');
        }
    }

    /** @param  string  ...$names  of files in it; all of it when none is named */
    public function remove(string ...$names): void
    {
        $names === [] ? File::deleteDirectory($this->path) : array_map(fn (string $name) => @unlink("{$this->path}/{$name}"), $names);
    }
}
