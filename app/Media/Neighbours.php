<?php

namespace App\Media;

use Illuminate\Support\Facades\Cache;

/** What lies beside a file. */
final class Neighbours
{
    /** A file beside the cut counts as the real one when it is this many times as large. */
    private const MUCH_LARGER = 4;

    private const VIDEO = ['mov', 'mp4', 'mkv', 'mxf', 'avi', 'webm', 'm4v', 'mpg', 'ts', 'mts'];

    private const MOST = 2_000;

    /** Seconds for which what was seen holds: a file beside the cut may grow. */
    private const FRESH = 60;

    /** @return list<string> names in a folder; empty where there is none */
    public static function in(string $folder): array
    {
        return is_dir($folder) ? array_values(array_diff(scandir($folder) ?: [], ['.', '..'])) : [];
    }

    /**
     * Looked at anew when the folder or the cut has changed, and once a minute: there may be thousands.
     *
     * @return array{name: string, bytes: int}|null the largest video beside a cut whose name begins as the cut's does
     */
    public static function muchLarger(string $path): ?array
    {
        if (! Drive::answers(dirname($path))) {
            return null;
        }
        $key = 'neighbour:'.hash('xxh128', serialize([$path, @filemtime(dirname($path)), @filesize($path)]));

        return Cache::remember($key, self::FRESH, fn (): array => [self::look($path)])[0];
    }

    /** @return array{name: string, bytes: int}|null */
    private static function look(string $path): ?array
    {
        $begins = mb_strtolower(mb_substr(pathinfo($path, PATHINFO_FILENAME), 0, 6));
        $bytes = (int) @filesize($path) * self::MUCH_LARGER;
        $largest = null;
        foreach (array_slice(self::in(dirname($path)), 0, self::MOST) as $name) {
            $alike =
                str_starts_with(mb_strtolower($name), $begins) &&
                in_array(strtolower(pathinfo($name, PATHINFO_EXTENSION)), self::VIDEO, true);
            $size = $alike && $name !== basename($path) ? (int) @filesize(dirname($path)."/{$name}") : 0;
            if ($size > $bytes && $bytes > 0 && $size > ($largest['bytes'] ?? 0)) {
                $largest = ['name' => $name, 'bytes' => $size];
            }
        }

        return $largest;
    }
}
