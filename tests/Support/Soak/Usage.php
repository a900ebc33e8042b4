<?php

namespace Tests\Support\Soak;

use FilesystemIterator;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;
use UnexpectedValueException;

/** Samples the memory and storage use of the machines. */
final class Usage
{
    /** Folders on the disk that must not grow. Deliveries, uploads and the database may grow. */
    private const STORAGE = ['storage-north', 'storage-south', 'share/derived/work'];

    /** Folders whose hidden unfinished files must not grow. */
    private const UNFINISHED = ['share/uploads', 'share/out'];

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
            'storage' => $this->bytesOf(self::STORAGE, '~~') + $this->bytesOf(self::UNFINISHED, '~/\.[^/]+\.(partial|hash)~'),
        ];
    }

    /** @return array{float, float} means of the second and the last quarter of the run */
    public function quarters(string $what): array
    {
        $all = array_column($this->taken, $what);
        $quarter = max(1, intdiv(count($all), 4));
        $mean = fn (array $some): float => $some === [] ? 0.0 : array_sum($some) / count($some);

        return [$mean(array_slice($all, $quarter, $quarter)), $mean(array_slice($all, -$quarter))];
    }

    /** Proportional set size of a process in bytes (proc(5), smaps_rollup). */
    private static function memory(int $process): int
    {
        $said = (string) @file_get_contents("/proc/{$process}/smaps_rollup");

        return preg_match('~^Pss:\s+(\d+)~m', $said, $m) === 1 ? 1024 * (int) $m[1] : 0;
    }

    /** @param  list<string>  $folders  below the disk */
    private function bytesOf(array $folders, string $which): int
    {
        return array_sum(array_map(fn (string $name): int => self::bytes("{$this->site->disk}/{$name}", $which), $folders));
    }

    /** @param  string  $which  pattern of the paths to count */
    public static function bytes(string $folder, string $which = '~~'): int
    {
        $bytes = 0;
        try {
            $all = new RecursiveIteratorIterator(new RecursiveDirectoryIterator($folder, FilesystemIterator::SKIP_DOTS));
            foreach ($all as $file) {
                $path = $file->getPathname();
                $bytes += preg_match($which, $path) === 1 && is_file($path) && ! is_link($path) ? (int) @filesize($path) : 0;
            }
        } catch (UnexpectedValueException) {
            // A folder was removed meanwhile.
            return $bytes;
        }

        return $bytes;
    }
}
