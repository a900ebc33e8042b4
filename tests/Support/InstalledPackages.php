<?php

namespace Tests\Support;

use FilesystemIterator;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;

/** What Composer installed: each package with its version and a hash of its files. */
final class InstalledPackages
{
    public const LIST = __DIR__.'/php-packages.txt';

    /** @return array<string, array{version: string, license: list<string>, hash: string}> by name */
    public static function all(): array
    {
        $installed = json_decode((string) file_get_contents(base_path('vendor/composer/installed.json')), true)['packages'];
        $packages = [];
        foreach ($installed as $package) {
            $packages[$package['name']] = [
                'version' => ltrim($package['version'], 'v'),
                'license' => $package['license'] ?? [],
                'hash' => self::hash((string) realpath(base_path("vendor/composer/{$package['install-path']}"))),
            ];
        }
        ksort($packages);

        return $packages;
    }

    /** As it is committed. */
    public static function text(): string
    {
        $lines = array_map(
            fn (string $name, array $package): string => "{$name} {$package['version']} {$package['hash']}\n",
            array_keys($packages = self::all()),
            $packages,
        );

        return implode('', $lines);
    }

    private static function hash(string $folder): string
    {
        $files = [];
        foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator($folder, FilesystemIterator::SKIP_DOTS)) as $file) {
            $files[] = substr($file->getPathname(), strlen($folder) + 1).' '.hash_file('sha256', $file->getPathname());
        }
        sort($files);

        return hash('sha256', implode("\n", $files));
    }
}
