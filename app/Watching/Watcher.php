<?php

namespace App\Watching;

use App\Desk\CutDesk;
use App\Desk\Surroundings;
use App\Engine\Clock;
use App\Media\Drive;
use App\Media\FileKind;
use App\Media\FileProblem;
use App\Media\Neighbours;
use App\Media\SetAside;
use App\Models\KeptName;
use App\Models\WatchedFile;
use App\Models\WatchFolder;
use App\Models\Work;
use App\Packing\MadeAlready;
use App\Packing\Packer;
use App\Shelf\CutShelf;
use OuterCrate\Reading\Unreadable;
use OuterCrate\Refusals\Refused;
use Throwable;

/**
 * Looks into the watch folders: a file that has settled is brought in and packed. One that cannot be packed is set aside with the reason;
 * one that cannot be read stays where it is. What was seen is kept in the database, so that a restart begins where it ended, and two that
 * look at once pack nothing twice.
 */
class Watcher
{
    /** Seconds after which one that was begun is begun again. */
    private const BEGUN = 120;

    /** Seconds between looks: while a file settles, while none does, and while no folder is watched. */
    private const SETTLING_PAUSE = 1.0;

    private const IDLE_PAUSE = 5.0;

    private const NOTHING_PAUSE = 30.0;

    /** How many times as long as a look took nothing is done at least. */
    private const REST_RATIO = 100.0;

    public function __construct(
        private readonly CutShelf $shelf,
        private readonly CutDesk $desk,
        private readonly Packer $packer,
    ) {
    }

    /** @return float seconds after which it is worth looking again */
    public function look(): float
    {
        $begun = Clock::seconds();
        $folders = WatchFolder::query()->orderBy('id')->get();
        foreach ($folders as $folder) {
            // In one question: most of them were packed long ago.
            $known = $folder->files()->get()->keyBy('name');
            foreach (Drive::answers($folder->path) ? $this->videos($folder->path) : [] as $name => [$bytes, $modified]) {
                $this->lookAt($folder, $known[$name] ?? null, $name, $bytes, $modified);
            }
        }
        if ($folders->isEmpty()) {
            return self::NOTHING_PAUSE;
        }

        $isSettling = WatchedFile::query()->where('state', WatchedFile::SETTLING)->exists();

        // Ten thousand files take a tenth of a second to look at: the longer it takes, the less often it is done.
        return max($isSettling ? self::SETTLING_PAUSE : self::IDLE_PAUSE, (Clock::seconds() - $begun) * self::REST_RATIO);
    }

    /** @return array<string, array{int, int}> size in bytes and time of each, by name */
    private function videos(string $folder): array
    {
        clearstatcache();
        $videos = [];
        foreach (Neighbours::in($folder) as $name) {
            // What begins with a full stop is hidden, and often half a file.
            if ($name[0] !== '.' && FileKind::of($name) === FileKind::Video && is_file("{$folder}/{$name}")) {
                $videos[$name] = [(int) @filesize("{$folder}/{$name}"), (int) @filemtime("{$folder}/{$name}")];
            }
        }

        return $videos;
    }

    private function lookAt(WatchFolder $folder, ?WatchedFile $file, string $name, int $bytes, int $modified): void
    {
        $file ??= WatchedFile::query()->firstOrCreate(
            ['watch_folder_id' => $folder->id, 'name' => KeptName::of($name)],
            ['state' => WatchedFile::SETTLING, 'bytes' => $bytes, 'modified' => $modified, 'since' => Work::now()],
        );
        if ($file->bytes !== $bytes || $file->modified !== $modified) {
            // It grows, or is another file by the same name.
            $file->update([
                'state' => WatchedFile::SETTLING, 'bytes' => $bytes, 'modified' => $modified, 'since' => Work::now(), 'error' => null,
            ]);

            return;
        }
        // Whoever began with it was ended.
        if ($file->state === WatchedFile::PACKING && $file->updated_at->diffInSeconds(now()) > self::BEGUN) {
            $file->update(['state' => WatchedFile::SETTLING]);
        }
        $settles = (float) config('crate.watch.settles');
        if ($file->state !== WatchedFile::SETTLING || $bytes === 0 || $file->since->diffInMilliseconds(now()) < 1000 * $settles) {
            return;
        }
        // In one step: of two that look at once, one packs it.
        $isOurs = WatchedFile::query()->whereKey($file->id)->where(['state' => WatchedFile::SETTLING, 'bytes' => $bytes])
            ->update(['state' => WatchedFile::PACKING, 'updated_at' => Work::now()]);
        $isOurs === 1 ? $this->pack($folder, $file->refresh()) : null;
    }

    private function pack(WatchFolder $folder, WatchedFile $file): void
    {
        $path = "{$folder->path}/{$file->name}";
        try {
            $cut = $this->shelf->bringIn($path);
        } catch (Unreadable|FileProblem $e) {
            // Unfinished copies and files that are not media are never moved. They are read again when they change.
            $this->refuse($file, $e->getMessage());

            return;
        } catch (Throwable $e) {
            $this->lookAgain($file);
            throw $e;
        }
        try {
            $columns = $this->desk->columns($cut, $cut->reading(), $folder->outputs, $cut->range($cut->reading()));
            $pack = $this->packer->pack($cut, $columns, Surroundings::deliveries($cut->name), again: false)[0]->pack;
            $file->update(['state' => WatchedFile::PACKED, 'pack' => $pack]);
        } catch (MadeAlready) {
            // The very same was packed from here before, or on its sheet.
            $file->update(['state' => WatchedFile::PACKED]);
        } catch (Refused $e) {
            $this->refuse($file, $e->getMessage());
            // A file that is still being written is never moved.
            if (SetAside::isAtRest($path, $file->bytes, $file->modified)) {
                SetAside::file($path, $e->getMessage());
            }
        } catch (Throwable $e) {
            $this->lookAgain($file);
            throw $e;
        }
    }

    private function refuse(WatchedFile $file, string $reason): void
    {
        $file->update(['state' => WatchedFile::REFUSED, 'error' => mb_strcut($reason, 0, 2000)]);
    }

    /** What broke may be over by then. */
    private function lookAgain(WatchedFile $file): void
    {
        $file->update(['state' => WatchedFile::SETTLING, 'since' => Work::now()]);
    }
}
