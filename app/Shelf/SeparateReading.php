<?php

namespace App\Shelf;

use App\Media\ReadingStopped;
use App\Media\SeparateReader;
use App\Models\Cut;
use OuterCrate\Refusals\Refused;

/** Brings in a file for a web process; a separate process reads it. */
final class SeparateReading
{
    public function __construct(private readonly CutShelf $shelf, private readonly SeparateReader $reader)
    {
    }

    /** @throws Refused */
    public function bringIn(string $path): Cut
    {
        // Commands and workers are separate processes already.
        return app()->runningInConsole() ? $this->shelf->bringIn($path) : $this->apart($path);
    }

    /** @throws Refused */
    public function apart(string $path): Cut
    {
        return Cut::query()->find($this->reader->ask($path)['cut'] ?? 0) ?? throw ReadingStopped::broken($path);
    }
}
