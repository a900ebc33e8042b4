<?php

namespace App\Media;

/** Which folders may be chosen for media, deliveries and watching: none of the system's or the application's own, and none above those. */
final class AllowedFolder
{
    /** Folders of the system (hier(7)), with everything in them. */
    private const SYSTEM = [
        '/bin', '/boot', '/dev', '/etc', '/lib', '/lib32', '/lib64', '/libx32', '/proc', '/sbin', '/sys', '/usr', '/var/cache', '/var/lib',
        '/var/log', '/var/spool', '/var/www', '/lost+found',
    ];

    /** Drives are mounted below the first, and folders of a network below the second. */
    private const WITHIN_RUN = ['/run/media', '/run/user'];

    /** Why the folder may not be chosen, judged by its real path; null if it may. */
    public static function fault(string $folder): ?string
    {
        $real = realpath($folder);
        if ($real === false) {
            return "There is no folder {$folder}.";
        }
        if ($real === '/') {
            return 'The whole machine is not a folder for media.';
        }
        $isOfRun = self::isWithin($real, '/run')
            && array_filter(self::WITHIN_RUN, fn (string $one): bool => self::isWithin($real, $one) && $real !== $one) === [];
        foreach (self::SYSTEM as $system) {
            if (self::isWithin($real, $system) || self::isWithin($system, $real)) {
                return "{$folder} belongs to the system.";
            }
        }
        if ($isOfRun) {
            return "{$folder} belongs to the system.";
        }
        if (self::isAmong($real, self::given())) {
            return null;
        }
        foreach (self::own() as $own) {
            if (self::isWithin($real, $own)) {
                return "{$folder} is one of Outer Crate’s own folders.";
            }
            if (self::isWithin($own, $real)) {
                return "Outer Crate’s own files are in {$folder}.";
            }
        }

        return null;
    }

    /** @return list<string> real paths of folders that must not be exposed, filled or cleared */
    private static function own(): array
    {
        return array_values(array_filter(array_map(realpath(...), [
            base_path(), storage_path(), (string) config('crate.derived'), (string) config('session.files'),
            (string) config('database.connections.sqlite.database'),
        ])));
    }

    /** @return list<string> folders of the application that are there for media and deliveries */
    private static function given(): array
    {
        return array_values(array_filter(array_map(realpath(...), [
            storage_path('deliveries'), storage_path('uploads'), storage_path('demo/media'),
        ])));
    }

    /** @param  list<string>  $folders */
    private static function isAmong(string $real, array $folders): bool
    {
        return array_filter($folders, fn (string $folder): bool => self::isWithin($real, $folder)) !== [];
    }

    private static function isWithin(string $folder, string $other): bool
    {
        return $folder === $other || str_starts_with($folder, rtrim($other, '/').'/');
    }
}
