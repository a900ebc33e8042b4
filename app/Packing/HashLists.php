<?php

namespace App\Packing;

use App\Media\Checksum;
use App\Media\FileProblem;
use App\Media\Neighbours;
use App\Media\OutputFile;
use App\Models\Run;
use App\Models\WorkState;
use Closure;
use DateTimeImmutable;
use DateTimeZone;
use Illuminate\Support\Collection;
use OuterCrate\Naming\FileName;
use OuterCrate\Slips\HashLists\HashedFile;
use OuterCrate\Slips\HashLists\HashList;

/** Writes ASC Media Hash Lists beside finished files. */
class HashLists
{
    private const TOOL = 'Outer Crate';

    private const VERSION = '1';

    /**
     * Adds a generation that names the files of these runs, to the folder that all of them lie in.
     *
     * @param  Collection<int, Run>  $runs
     * @param  (Closure(int): void)|null  $onBytes  called with the bytes read so far
     * @return string path of the list
     *
     * @throws PackRefused
     * @throws FileProblem
     */
    public function write(Collection $runs, ?Closure $onBytes = null): string
    {
        $made = self::made($runs);
        if ($made->isEmpty()) {
            throw new PackRefused('There is no finished file to list.', 'Wait until one is made.');
        }
        $gone = $made->first(fn (Run $run): bool => $run->gone_at !== null || ! file_exists($run->file));
        if ($gone !== null) {
            throw new PackRefused(mb_scrub(basename($gone->file)).' is no longer where it was made.', 'Put it back, or make it again.');
        }
        $root = self::common($made->map(fn (Run $run): string => dirname($run->file))->unique()->values()->all());
        $at = new DateTimeImmutable('now', new DateTimeZone('UTC'));
        $done = 0;
        $files = array_merge(...$made->map(function (Run $run) use ($root, $at, &$done, $onBytes): array {
            return $this->filesOf($run, $root, $at, function (int $bytes) use (&$done, $onBytes): void {
                $done += $bytes;
                $onBytes === null ?: $onBytes($done);
            });
        })->all());
        $lists = "{$root}/".HashList::FOLDER;
        OutputFile::needFolder($lists);
        $known = array_values(array_filter(Neighbours::in($lists), fn (string $name): bool => str_ends_with($name, '.mhl')));
        sort($known);
        $name = HashList::name(FileName::safe(basename($root)), count($known) + 1, $at);
        $content = HashList::of($files, $at, gethostname() ?: 'localhost', self::TOOL, self::VERSION);
        $all = array_map(fn (string $one): array => ['name' => $one, 'content' => (string) file_get_contents("{$lists}/{$one}")], $known);
        OutputFile::replace("{$lists}/{$name}", $content);
        OutputFile::replace("{$lists}/".HashList::CHAIN, HashList::chain([...$all, ['name' => $name, 'content' => $content]]));

        return "{$lists}/{$name}";
    }

    /**
     * Bytes to read for the list: image files, and files whose slip has no XXH64 hash yet.
     *
     * @param  Collection<int, Run>  $runs
     */
    public static function bytesToRead(Collection $runs): int
    {
        return (int) self::made($runs)->sum(fn (Run $run): int => is_dir($run->file) || ! isset($run->slip['xxh64'])
            ? (int) ($run->slip['bytes'] ?? 0)
            : 0);
    }

    /**
     * @param  Collection<int, Run>  $runs
     * @return Collection<int, Run>
     */
    private static function made(Collection $runs): Collection
    {
        return $runs->filter(fn (Run $run): bool => $run->work->state === WorkState::Done && $run->slip !== null)->values();
    }

    /**
     * @param  Closure(int): void  $onBytes
     * @return list<HashedFile>
     */
    private function filesOf(Run $run, string $root, DateTimeImmutable $at, Closure $onBytes): array
    {
        $within = fn (string $path): string => substr($path, strlen($root) + 1);
        $modified = fn (string $path): DateTimeImmutable => (new DateTimeImmutable('@'.(int) filemtime($path)));
        if (is_dir($run->file)) {
            return array_map(function (string $name) use ($run, $within, $modified, $at, $onBytes): HashedFile {
                $path = "{$run->file}/{$name}";
                $file = new HashedFile($within($path), (int) filesize($path), $modified($path), Checksum::both($path)['xxh64'], $at);
                $onBytes($file->bytes);

                return $file;
            }, Neighbours::in($run->file));
        }
        // Of when it was made: a file that was changed since is found by whoever checks the list.
        $hashed = $run->work->ended_at?->toDateTimeImmutable() ?? $at;
        $xxh64 = $run->slip['xxh64'] ?? Checksum::both($run->file, fn () => $onBytes(Checksum::PIECE))['xxh64'];

        return [new HashedFile($within($run->file), (int) $run->slip['bytes'], $modified($run->file), $xxh64, $hashed)];
    }

    /** @param  non-empty-list<string>  $folders */
    private static function common(array $folders): string
    {
        $parts = explode('/', array_shift($folders));
        foreach ($folders as $folder) {
            $other = explode('/', $folder);
            for ($i = 0; isset($parts[$i], $other[$i]) && $parts[$i] === $other[$i]; $i++) {
                continue;
            }
            $parts = array_slice($parts, 0, $i);
        }

        return implode('/', $parts);
    }
}
