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

    /** @return int bytes; 0 while it has not opened it, or where nobody can tell */
    public function now(): int
    {
        $this->descriptor ??= $this->find();
        $told = $this->descriptor === null ? '' : (string) @file_get_contents("/proc/{$this->process}/fdinfo/{$this->descriptor}");

        return preg_match('~^pos:\s+(\d+)~', $told, $match) === 1 ? (int) $match[1] : 0;
    }

    private function find(): ?string
    {
        foreach (@scandir("/proc/{$this->process}/fd") ?: [] as $descriptor) {
            if (@readlink("/proc/{$this->process}/fd/{$descriptor}") === $this->path) {
                return $descriptor;
            }
        }

        return null;
    }
}
