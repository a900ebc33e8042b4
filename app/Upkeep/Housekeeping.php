<?php

namespace App\Upkeep;

use App\Configuration\FolderSettings;
use FilesystemIterator;
use Illuminate\Support\Facades\File;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;
use SplFileInfo;

/** Deletes expired cache entries, sessions and partial files, and shortens logs. The watch process runs it once an hour. */
final class Housekeeping
{
    public const EVERY_SECONDS = 3600.0;

    /** Bytes of a log, and of what is kept of it in a second file once it is that long. */
    private const MAX_LOG = 10_000_000;

    private const KEPT_LOG = 5_000_000;

    /** Digits of the moment until which an entry of the file cache holds, at its beginning (Illuminate\Cache\FileStore). */
    private const EXPIRY_DIGITS = 10;

    /** Days after which a partial upload is deleted. A running one is named in the database and expires earlier. */
    private const PARTIAL_DAYS = 14;

    /** Days without changes after which a working folder of a sample or test is deleted. No test takes that long. */
    private const WORK_DAYS = 2;

    /** Days after which the folder of a server that does not run is removed. */
    private const SERVED_DAYS = 7;

    public function run(): void
    {
        $this->forgetExpired((string) config('cache.stores.file.path'));
        $this->remove((string) config('session.files'), 60 * (int) config('session.lifetime'), '~^[A-Za-z0-9]{40}$~');
        $this->remove(app(FolderSettings::class)->uploads, 86_400 * self::PARTIAL_DAYS, '~^\..+\.(partial|hash)$~');
        $this->remove(Copies::folder(), 86_400, '~\.partial$~');
        $this->removeWork();
        $this->removeServed();
        foreach (glob(storage_path('logs/*.log')) ?: [] as $log) {
            $this->shorten($log);
        }
    }

    private function forgetExpired(string $folder): void
    {
        foreach (self::filesIn($folder) as $file) {
            $expiry = (string) @file_get_contents($file->getPathname(), length: self::EXPIRY_DIGITS);
            if (ctype_digit($expiry) && (int) $expiry < time()) {
                @unlink($file->getPathname());
                // Its folders, where they are empty now.
                @rmdir(dirname($file->getPathname())) && @rmdir(dirname($file->getPathname(), 2));
            }
        }
    }

    /** Deletes files of a folder that match the pattern and were not written to for this long. */
    private function remove(string $folder, int $seconds, string $pattern): void
    {
        foreach (is_dir($folder) ? (scandir($folder) ?: []) : [] as $name) {
            $path = "{$folder}/{$name}";
            if (preg_match($pattern, $name) === 1 && is_file($path) && time() - (int) @filemtime($path) > $seconds) {
                @unlink($path);
            }
        }
    }

    /** Keeps the end of a long log in a second file. Writers append, so truncating is safe. */
    private function shorten(string $log): void
    {
        clearstatcache(true, $log);
        $bytes = (int) @filesize($log);
        if ($bytes <= self::MAX_LOG) {
            return;
        }
        file_put_contents("{$log}.1", (string) file_get_contents($log, offset: $bytes - self::KEPT_LOG));
        chmod("{$log}.1", 0o600);
        $file = fopen($log, 'r+b');
        if ($file !== false) {
            ftruncate($file, 0);
            fclose($file);
        }
    }

    private function removeServed(): void
    {
        foreach (glob(storage_path('framework/served/*'), GLOB_ONLYDIR) ?: [] as $folder) {
            $isOld = time() - (int) filemtime($folder) > 86_400 * self::SERVED_DAYS;
            if ($isOld && ! is_file("{$folder}/services.json")) {
                foreach (self::filesIn($folder) as $file) {
                    @unlink($file->getPathname());
                }
                array_map(fn (string $one): bool => @rmdir($one), glob("{$folder}/*", GLOB_ONLYDIR) ?: []);
                @rmdir($folder);
            }
        }
    }

    /** Deletes working folders of killed processes. Folders of runs stay, so that a stopped run can resume. */
    private function removeWork(): void
    {
        foreach (glob(config('crate.derived').'/work/*-*', GLOB_ONLYDIR) ?: [] as $folder) {
            if (preg_match('~-[0-9a-f]{8}$~', $folder) === 1 && time() - self::lastWritten($folder) > 86_400 * self::WORK_DAYS) {
                File::deleteDirectory($folder);
            }
        }
    }

    private static function lastWritten(string $folder): int
    {
        $written = (int) @filemtime($folder);
        foreach (self::filesIn($folder) as $file) {
            $written = max($written, (int) @filemtime($file->getPathname()));
        }

        return $written;
    }

    /** @return iterable<SplFileInfo> */
    private static function filesIn(string $folder): iterable
    {
        if (! is_dir($folder)) {
            return [];
        }
        $all = new RecursiveIteratorIterator(
            new RecursiveDirectoryIterator($folder, FilesystemIterator::SKIP_DOTS),
            RecursiveIteratorIterator::LEAVES_ONLY,
            RecursiveIteratorIterator::CATCH_GET_CHILD,
        );
        foreach ($all as $file) {
            if ($file->isFile() && $file->getFilename() !== '.gitignore') {
                yield $file;
            }
        }
    }
}
