<?php

namespace App\Media;

/** The volume that a folder lies on, or will lie on once it is made. */
final class Drive
{
    /** Whether it answers in a moment: what lies on one that does not is not touched, since whoever does waits with it. */
    public static function answers(string $folder): bool
    {
        return app(DriveProbe::class)->answeredLately($folder);
    }

    /**
     * @param  string  $then  what there is to do besides, when it is back
     *
     * @throws FileProblem when it does not answer
     */
    public static function need(string $folder, string $then = ''): void
    {
        self::answers($folder) ?: throw new FileProblem(
            'The drive does not answer.', $folder, rtrim("See to the drive, or to its network{$then}").'.',
        );
    }

    /** Whether there is a file or a folder, as far as its drive answers. */
    public static function holds(string $path): bool
    {
        return self::answers($path) && file_exists($path);
    }

    /** @return list<string> where drives that do not answer are mounted within a folder */
    public static function silentWithin(string $folder): array
    {
        $isSilent = fn (string $point): bool => str_starts_with($point, rtrim($folder, '/').'/') && ! self::answers($point);

        return array_values(array_filter(Mounts::points(), $isSilent));
    }

    /** Bytes free on the volume that the folder lies, or will lie, on; null when it does not say. */
    public static function freeBytes(string $folder): ?int
    {
        if (! self::answers($folder)) {
            return null;
        }
        $existing = self::existing($folder);
        $free = @disk_free_space($existing);

        // What holds nothing at all, as /proc, is no drive that could be full.
        return $free === false || (int) @disk_total_space($existing) === 0 ? null : (int) $free;
    }

    /** Which drive it is; null when the system does not say. */
    public static function of(string $folder): ?int
    {
        if (! self::answers($folder)) {
            return null;
        }
        $status = @stat(self::existing($folder));

        return $status === false ? null : $status['dev'];
    }

    /** Of the deepest mount point above the folder, as the kernel lists it. */
    public static function fileSystem(string $folder): ?string
    {
        return Mounts::fileSystem(Mounts::point($folder));
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
