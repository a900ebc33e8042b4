<?php

namespace App\Engine;

/** How far a process has read in a file that it has open (proc(5), fdinfo). */
final class ReadPosition
{
    private ?string $descriptor = null;

    private readonly string $path;

    public function __construct(private readonly int $process, string $path)
    {
        $this->path = (string) realpath($path);
    }

    /** @return int bytes; 0 while it has not read of it, or where nobody can tell */
    public function now(): int
    {
        $at = $this->descriptor === null ? 0 : $this->in($this->descriptor);
        if ($at === 0) {
            // A process that has only begun holds what its parent did, until it is another program.
            $this->descriptor = $this->find();
            $at = $this->descriptor === null ? 0 : $this->in($this->descriptor);
        }

        return $at;
    }

    private function in(string $descriptor): int
    {
        $told = (string) @file_get_contents("/proc/{$this->process}/fdinfo/{$descriptor}");

        return preg_match('~^pos:\s+(\d+)~', $told, $match) === 1 ? (int) $match[1] : 0;
    }

    /** The first descriptor that it has read by. */
    private function find(): ?string
    {
        foreach (@scandir("/proc/{$this->process}/fd") ?: [] as $descriptor) {
            if (@readlink("/proc/{$this->process}/fd/{$descriptor}") === $this->path && $this->in($descriptor) > 0) {
                return $descriptor;
            }
        }

        return null;
    }
}
