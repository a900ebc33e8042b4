<?php

namespace App\Media;

use OuterCrate\Refusals\Refused;
use OuterCrate\Refusals\Says;
use RuntimeException;

/** A file or folder that cannot be used. */
final class FileProblem extends RuntimeException implements Refused
{
    use Says;

    public function __construct(string $what, public readonly string $path, string $todo, string $kept = '')
    {
        $this->say($what, $todo, $kept);
    }

    public static function changed(string $path, string $todo): self
    {
        return new self('The file has changed or gone since it was read.', $path, $todo);
    }

    public function id(): string
    {
        return 'file';
    }

    public function status(): int
    {
        return 422;
    }

    public function file(): string
    {
        return $this->path;
    }
}
