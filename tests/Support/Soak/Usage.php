<?php

namespace Tests\Support\Soak;

use FilesystemIterator;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;
use UnexpectedValueException;

/** How much memory and storage the machines take, taken down again and again. */
final class Usage
{
    /** What is to stay as it is however long they run, below the disk; what was made and the rows about it may grow. */
    private const STORAGE = ['storage-north', 'storage-south', 'share/derived/work', 'share/uploads'];

    /** @var list<array{memory: int, storage: int}> */
    private array $taken = [];

    public function __construct(private readonly Site $site)
    {
    }

    public function take(): void
    {
        $processes = array_merge(...array_map(fn (Machine $machine): array => $machine->ownProcesses(), $this->site->machines));
        $this->taken[] = [
            'memory' => array_sum(array_map(self::memory(...), $processes)),
            'storage' => array_sum(array_map(fn (string $name): int => self::bytes("{$this->site->disk}/{$name}"), self::STORAGE)),
        ];
    }

    /** @return array{float, float} means in the second quarter of the time and in the last */
    public function quarters(string $what): array
    {
        $all = array_column($this->taken, $what);
        $quarter = max(1, intdiv(count($all), 4));
        $mean = fn (array $some): float => $some === [] ? 0.0 : array_sum($some) / count($some);

        return [$mean(array_slice($all, $quarter, $quarter)), $mean(array_slice($all, -$quarter))];
    }

    /** Bytes that a process has for itself, and its part of what it shares (proc(5), smaps_rollup). */
    private static function memory(int $process): int
    {
        $said = (string) @file_get_contents("/proc/{$process}/smaps_rollup");

        return preg_match('~^Pss:\s+(\d+)~m', $said, $m) === 1 ? 1024 * (int) $m[1] : 0;
    }

    public static function bytes(string $folder): int
    {
        $bytes = 0;
        try {
            $all = new RecursiveIteratorIterator(new RecursiveDirectoryIterator($folder, FilesystemIterator::SKIP_DOTS));
            foreach ($all as $file) {
                $bytes += @$file->isFile() && ! $file->isLink() ? (int) @filesize($file->getPathname()) : 0;
            }
        } catch (UnexpectedValueException) {
            // A folder that went meanwhile.
            return $bytes;
        }

        return $bytes;
    }
}
