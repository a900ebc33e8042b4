<?php

namespace App\Media;

use App\Configuration\FolderSettings;
use App\Models\Cut;
use App\Models\KeptName;
use FilesystemIterator;
use Generator;
use RecursiveCallbackFilterIterator;
use RecursiveDirectoryIterator;
use RecursiveIteratorIterator;
use SplFileInfo;
use UnexpectedValueException;

/** The folders that the pages may bring cuts in from. */
class MediaFolders
{
    /** Files that are looked through; a hundred thousand take some seconds. */
    private const MAX_FILES = 100_000;

    /**
     * The real path of a file inside one of the folders; symbolic links that lead out of them do not count.
     *
     * @throws FileProblem
     */
    public function resolve(string $path): string
    {
        $path = KeptName::read($path);
        Drive::need(dirname($path));
        $real = str_contains($path, "\0") ? false : realpath($path);
        if ($real === false) {
            throw new FileProblem('There is no such file.', $path, 'It may have been moved or renamed.');
        }
        foreach ([...$this->folders(), (string) realpath(self::cameBack())] as $folder) {
            if ($folder !== '' && str_starts_with($real, $folder.'/')) {
                return $real;
            }
        }
        throw new FileProblem(
            'This file lies outside the media folders.',
            $path,
            'Move it into one of them, or add its folder to CRATE_MEDIA_FOLDERS.',
        );
    }

    /**
     * Files that may be cuts, newest first.
     *
     * @param  string  $words  each is found in the path, whatever its case
     * @return list<array{path: string, name: string, folder: string, bytes: int, modified: int, kind: FileKind}>
     */
    public function files(string $words = ''): array
    {
        $wanted = preg_split('~\s+~u', mb_strtolower(trim($words)), -1, PREG_SPLIT_NO_EMPTY) ?: [];
        $files = [];
        foreach ($this->folders() as $folder) {
            foreach (self::in($folder) as $file) {
                $path = mb_strtolower(mb_scrub($file->getPathname()));
                if (array_filter($wanted, fn (string $word): bool => ! str_contains($path, $word)) !== []) {
                    continue;
                }
                if (count($files) >= self::MAX_FILES) {
                    break 2;
                }
                $files[] = [
                    'path' => $file->getPathname(),
                    'name' => $file->getFilename(),
                    'folder' => $file->getPath(),
                    'bytes' => (int) @filesize($file->getPathname()),
                    'modified' => (int) @filemtime($file->getPathname()),
                    'kind' => FileKind::of($file->getFilename()),
                ];
            }
        }
        usort($files, fn (array $a, array $b): int => [$b['modified'], $b['bytes']] <=> [$a['modified'], $a['bytes']]);

        return $files;
    }

    /**
     * Files that are the cut's own, found by their fingerprint.
     *
     * @return list<array{path: string, name: string, folder: string, bytes: int, modified: int, kind: FileKind}>
     */
    public function sameAs(Cut $cut): array
    {
        return array_values(
            array_filter(
                $this->files(),
                fn (array $file): bool => $file['bytes'] === $cut->bytes &&
                    is_readable($file['path']) &&
                    Fingerprint::of($file['path']) === $cut->fingerprint,
            ),
        );
    }

    /** @return list<string> paths of the videos in a folder and those in it, by name */
    public static function videosIn(string $folder): array
    {
        $videos = [];
        foreach (is_dir($folder) ? self::in($folder) : [] as $file) {
            FileKind::of($file->getFilename()) !== FileKind::Video ?: $videos[] = $file->getPathname();
        }
        sort($videos);

        return $videos;
    }

    /** @return Generator<SplFileInfo> visible files */
    private static function in(string $folder): Generator
    {
        // Whatever is asked of the place of a drive that hangs is asked of the drive.
        $silent = Drive::silentWithin($folder);
        try {
            $there = new RecursiveDirectoryIterator($folder, FilesystemIterator::SKIP_DOTS);
        } catch (UnexpectedValueException) {
            // It has gone since it was looked for, or may not be read.
            return;
        }
        $visible = new RecursiveCallbackFilterIterator(
            $there,
            fn (SplFileInfo $file): bool => ! str_starts_with($file->getFilename(), '.')
                && ! in_array($file->getPathname(), $silent, true)
                && ! ($file->isDir() && $file->isLink()),
        );
        $all = new RecursiveIteratorIterator(
            $visible,
            RecursiveIteratorIterator::LEAVES_ONLY,
            RecursiveIteratorIterator::CATCH_GET_CHILD,
        );
        foreach ($all as $file) {
            if ($file->isFile()) {
                yield $file;
            }
        }
    }

    /** Where files lie that came back from hosts: they are looked at, and are no cuts. */
    public static function cameBack(): string
    {
        return config('crate.derived').'/came-back';
    }

    /** @return list<string> real paths of the folders that are there: the configured ones, and the one in which sent files arrive */
    private function folders(): array
    {
        // PHP remembers for two minutes where a folder was.
        clearstatcache(true);
        $settings = app(FolderSettings::class);
        $folders = array_filter([...$settings->media, $settings->uploads], Drive::answers(...));

        return array_values(array_unique(array_filter(array_map(realpath(...), $folders))));
    }
}
