<?php

namespace App\Resources;

use App\Models\WatchedFile;
use App\Models\WatchFolder;
use Illuminate\Support\Collection;

/** The watch folders as the settings show them (resources/schema/watch-folders.json). */
final class WatchFoldersResource
{
    /** Files of each that are told, the latest first. */
    private const FILES = 8;

    /**
     * @param  Collection<int, WatchFolder>  $folders
     * @return array<string, mixed>
     */
    public static function of(Collection $folders): array
    {
        return ['folders' => $folders->map(fn (WatchFolder $folder): array => [
            'id' => $folder->id,
            'path' => mb_scrub($folder->path),
            'isThere' => is_dir($folder->path),
            'outputs' => array_map(
                fn (array $output): array => ['preset' => $output['preset'], 'host' => $output['host']],
                $folder->outputs,
            ),
            'files' => $folder->files()->latest('updated_at')->latest('id')->limit(self::FILES)->get()->map(self::file(...))->all(),
        ])->values()->all()];
    }

    /** @return array{name: string, state: string, error: ?string, pack: ?string} */
    private static function file(WatchedFile $file): array
    {
        return ['name' => mb_scrub($file->name), 'state' => $file->state, 'error' => $file->error, 'pack' => $file->pack];
    }
}
