<?php

namespace App\Resources;

use App\Media\Drive;
use App\Models\Run;
use App\Models\WatchedFile;
use App\Models\WatchFolder;
use App\Models\WorkState;
use Illuminate\Database\Eloquent\Builder;
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
            'isThere' => Drive::answers($folder->path) && is_dir($folder->path),
            'outputs' => array_map(
                fn (array $output): array => ['preset' => $output['preset'], 'host' => $output['host']],
                $folder->outputs,
            ),
            'files' => $folder->files()->latest('updated_at')->latest('id')->limit(self::FILES)->get()
                ->pipe(fn (Collection $files): array => self::files($files)),
        ])->values()->all()];
    }

    /**
     * @param  Collection<int, WatchedFile>  $files
     * @return list<array{name: string, state: string, error: ?string, pack: ?string}>
     */
    private static function files(Collection $files): array
    {
        $failed = Run::query()
            ->whereIn('pack', $files->pluck('pack')->filter())
            ->whereHas('work', fn (Builder $work): Builder => $work->where('state', WorkState::Failed))
            ->with('work')->orderByDesc('id')->get()->keyBy('pack');

        return array_values($files->map(function (WatchedFile $file) use ($failed): array {
            // It was packed; what could not be made of it is told where it arrived.
            $run = $failed->get($file->pack);

            return [
                'name' => mb_scrub($file->name),
                'state' => $run === null ? $file->state : 'failed',
                'error' => $run === null ? $file->error : "{$run->name}: {$run->work->error}",
                'pack' => $file->pack,
            ];
        })->all());
    }
}
