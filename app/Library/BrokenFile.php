<?php

namespace App\Library;

use OuterCrate\Refusals\Refused;
use OuterCrate\Refusals\Says;
use RuntimeException;

/** A preset or host file that is not in its format, or asks for what cannot be made here. */
final class BrokenFile extends RuntimeException implements Refused
{
    use Says;

    public function __construct(private readonly string $path, string $fault)
    {
        $this->say(basename($path)." is not in its format: {$fault}", 'Put that right, or take the file away.');
    }

    public function id(): string
    {
        return 'broken-file';
    }

    public function status(): int
    {
        return 500;
    }

    public function file(): string
    {
        return $this->path;
    }
}
