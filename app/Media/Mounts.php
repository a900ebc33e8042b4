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

    /** @var array<string, string> mount points by paths */
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

        return self::$found[$path] ??= self::deepest(self::followed($path));
    }

    public static function fileSystem(string $point): ?string
    {
        self::read();

        return self::$mounts[$point] ?? null;
    }

    /** Whether a mount point is of a drive without which nothing here would run. */
    public static function isOwn(string $point): bool
    {
        self::read();

        return $point === '/' || $point === self::$own;
    }

    /** A path in which links are followed as far as it lies on a drive of our own. */
    private static function followed(string $path): string
    {
        $names = explode('/', $path);
        $links = 0;
        for ($at = ''; $names !== [];) {
            $name = array_shift($names);
            $next = match ($name) {
                '', '.' => $at,
                '..' => rtrim(dirname($at), '/'),
                default => "{$at}/{$name}",
            };
            if (! self::isOwn(self::deepest($next))) {
                return implode('/', [$next, ...$names]);
            }
            $target = is_link($next) && ++$links <= self::MOST_LINKS ? (string) readlink($next) : null;
            if ($target === null) {
                $at = $next;
            } else {
                array_unshift($names, ...explode('/', $target));
                $at = str_starts_with($target, '/') ? '' : $at;
            }
        }

        return $at;
    }

    /** As far as its name tells. */
    private static function deepest(string $path): string
    {
        for ($at = $path; $at !== '' && $at !== '/'; $at = dirname($at)) {
            if (array_key_exists($at, self::$mounts)) {
                return $at;
            }
        }

        return '/';
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
        self::$own = self::deepest((string) realpath(storage_path()));
    }
}
