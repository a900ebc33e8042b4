<?php

namespace App\Shelf;

use App\Media\ReadingStopped;
use App\Media\SeparateReader;
use App\Models\Cut;
use OuterCrate\Refusals\Refused;

/** Brings a file in from a web process, which leaves the reading to another. */
final class SeparateReading
{
    public function __construct(private readonly CutShelf $shelf, private readonly SeparateReader $reader)
    {
    }

    /** @throws Refused */
    public function bringIn(string $path): Cut
    {
        // A command or a worker is a process of its own already.
        return app()->runningInConsole() ? $this->shelf->bringIn($path) : $this->apart($path);
    }

    /** @throws Refused */
    public function apart(string $path): Cut
    {
        return Cut::query()->find($this->reader->ask($path)['cut'] ?? 0) ?? throw ReadingStopped::broken($path);
    }
}
