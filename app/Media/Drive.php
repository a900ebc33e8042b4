<?php

namespace App\Media;

/** The volume that a folder lies on, or will lie on once it is made. */
final class Drive
{
    /** Bytes free on the volume that the folder lies, or will lie, on; null when it does not say. */
    public static function freeBytes(string $folder): ?int
    {
        $existing = self::existing($folder);
        $free = @disk_free_space($existing);

        // What holds nothing at all, as /proc, is no drive that could be full.
        return $free === false || (int) @disk_total_space($existing) === 0 ? null : (int) $free;
    }

    /** Which drive it is; null when the system does not say. */
    public static function of(string $folder): ?int
    {
        $status = @stat(self::existing($folder));

        return $status === false ? null : $status['dev'];
    }

    /** Of the deepest mount point above the folder, as the kernel lists it. */
    public static function fileSystem(string $folder): ?string
    {
        $deepest = -1;
        $type = null;
        foreach (@file('/proc/mounts') ?: [] as $line) {
            [, $point, $name] = explode(' ', $line) + [1 => '', 2 => ''];
            $point = rtrim(stripcslashes($point), '/');
            if (str_starts_with("{$folder}/", "{$point}/") && strlen($point) >= $deepest) {
                $deepest = strlen($point);
                $type = $name;
            }
        }

        return $type;
    }

    /** Whether something can be put into a folder: tried, since who may write says nothing of a drive that is read-only or full. */
    public static function takesFiles(string $folder): bool
    {
        $trial = "{$folder}/.".bin2hex(random_bytes(8));

        return @mkdir($trial) && rmdir($trial);
    }

    private static function existing(string $folder): string
    {
        while (! is_dir($folder) && $folder !== dirname($folder)) {
            $folder = dirname($folder);
        }

        return $folder;
    }
}
