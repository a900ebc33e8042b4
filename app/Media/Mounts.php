<?php

namespace App\Media;

/** Where drives are mounted, as the kernel lists it. Nothing of what is mounted is touched, but for the drive that this program is on. */
final class Mounts
{
    /** Nanoseconds for which what was found is not looked up again. */
    private const HOLDS = 1_000_000_000;

    /** Links in a path above which it leads nowhere (path_resolution(7)). */
    private const MOST_LINKS = 40;

    /** @var array<string, string|null> file systems by mount points */
    private static array $mounts = [];

    /** @var array<string, array{string, string}> by path: what it leads to, and the deepest mount point above that */
    private static array $found = [];

    /** Of the drive that this program is on. */
    private static string $own = '/';

    private static int $until = 0;

    /** @return list<string> */
    public static function points(): array
    {
        self::read();

        return array_keys(self::$mounts);
    }

    /** The deepest mount point above a path, or above what it leads to by a link on the drive that this program is on. */
    public static function point(string $path): string
    {
        self::read();

        return self::found($path)[1];
    }

    public static function fileSystem(string $point): ?string
    {
        self::read();

        return self::$mounts[$point] ?? null;
    }

    /** Whether a mount point is of a drive without which nothing here would run. */
    public static function isOwn(string $point): bool
    {
        return $point === '/' || $point === self::$own;
    }

    /**
     * @param  int  $links  that were followed until here
     * @return array{string, string}
     */
    private static function found(string $path, int $links = 0): array
    {
        return self::$found[$path] ??= self::find($path, $links);
    }

    /** @return array{string, string} */
    private static function find(string $path, int $links): array
    {
        $slash = strrpos($path, '/');
        if ($slash === false) {
            return ['', '/'];
        }
        [$folder, $point] = self::found(substr($path, 0, $slash), $links);
        $name = substr($path, $slash + 1);
        $at = "{$folder}/{$name}";

        return match (true) {
            $name === '' || $name === '.' => [$folder, $point],
            $name === '..' => self::found(substr($folder, 0, (int) strrpos($folder, '/')), $links),
            array_key_exists($at, self::$mounts) => [$at, $at],
            ! self::isOwn($point) || $links === self::MOST_LINKS || ! is_link($at) => [$at, $point],
            default => self::found(self::target($at, $folder), $links + 1),
        };
    }

    private static function target(string $link, string $folder): string
    {
        $target = (string) readlink($link);

        return str_starts_with($target, '/') ? $target : "{$folder}/{$target}";
    }

    private static function read(): void
    {
        if (self::$until > hrtime(true)) {
            return;
        }
        self::$until = hrtime(true) + self::HOLDS;
        self::$mounts = self::$found = [];
        foreach (@file('/proc/mounts') ?: [] as $line) {
            [, $point, $fileSystem] = explode(' ', $line) + [1 => '', 2 => ''];
            self::$mounts[$point === '/' ? '/' : rtrim(stripcslashes($point), '/')] = $fileSystem;
        }
        self::$own = self::found((string) realpath(storage_path()))[1];
        self::$found = [];
    }
}
