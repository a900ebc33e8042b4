<?php

namespace App\Shelf;

use App\Engine\Runner;
use App\Models\Cut;
use OuterCrate\Refusals\Refused;
use OuterCrate\Units\ByteCount;

/**
 * Brings a file in from a web process: it is read by a process of its own with limits of time and memory, since a damaged or hostile file
 * would otherwise take those that answer the pages with it.
 */
final class SeparateReading
{
    public function __construct(private readonly CutShelf $shelf, private readonly Runner $runner)
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
        ['seconds' => $seconds, 'memory' => $memory] = config('crate.reading');
        $result = $this->runner->compute(
            [PHP_BINDIR.'/php', '-d', "memory_limit={$memory}", 'artisan', 'crate:bring-in', '--', $path],
            base_path(),
            $seconds,
        );
        if ($result === null) {
            throw ReadingStopped::atLimit($path, "{$seconds} seconds", 'CRATE_READING_SECONDS');
        }
        [$status, $output, $errors] = $result;
        if ($status !== 0 && str_contains($output.$errors, 'Allowed memory size')) {
            throw ReadingStopped::atLimit($path, (new ByteCount($memory)).' of memory', 'CRATE_READING_MEMORY');
        }
        $told = json_decode($output, true);
        if (isset($told['refused'])) {
            throw ReadingStopped::told($told['refused']);
        }

        return Cut::query()->find($told['cut'] ?? 0) ?? throw ReadingStopped::broken($path);
    }
}
