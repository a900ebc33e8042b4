<?php

namespace App\Store;

use App\Media\Bin;
use App\Media\CutFile;
use App\Media\Drive;
use App\Media\FileProblem;
use App\Media\StepStore;
use App\Media\Workspace;
use App\Models\ClearedFile;
use App\Models\Cut;
use App\Models\Delivery;
use App\Models\Dispatch;
use App\Models\Run;
use App\Packing\PackRefused;
use Illuminate\Contracts\Pagination\CursorPaginator;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\Relation;
use Illuminate\Support\Facades\DB;
use OuterCrate\Dispatch\Stage;
use OuterCrate\Presets\Role;
use OuterCrate\Store\Keeping;
use OuterCrate\Store\StoredFile;
use OuterCrate\Units\FrameRange;

/** Lists finished files, clears them, restores them, and deletes cleared ones. */
class Store
{
    public const PAGE = 60;

    /**
     * Sorted by cut name, then oldest first.
     *
     * @param  string|null  $cursor  of the page before
     * @return CursorPaginator<int, Delivery>
     */
    public function page(?string $cursor): CursorPaginator
    {
        return Delivery::query()->where('is_stored', true)
            ->with(['run' => fn (Relation $run) => $run->select(['id', 'file', 'cut_id'])->without('work')])
            ->orderBy('cut_name')->orderBy('run_id')
            ->cursorPaginate(self::PAGE, cursor: $cursor);
    }

    /** Bytes of all stored files. */
    public function bytes(): int
    {
        return (int) Delivery::query()->where('is_stored', true)->sum('bytes');
    }

    /**
     * @param  list<int|null>  $cuts
     * @return array<int, int> bytes of the stored files of each cut
     */
    public function bytesOf(array $cuts): array
    {
        return Delivery::query()->where('is_stored', true)->whereIn('cut_id', $cuts)->groupBy('cut_id')
            ->selectRaw('cut_id, sum(bytes) as total')->pluck('total', 'cut_id')->map(intval(...))->all();
    }

    /** @return Collection<int, ClearedFile> */
    private function cleared(): Collection
    {
        return ClearedFile::query()->with('run')->orderBy('id')->get();
    }

    /**
     * Why files cannot be cleared, each by itself.
     *
     * @param  Collection<int, Delivery>  $files
     * @return array<int, string> by run
     */
    public function kept(Collection $files): array
    {
        [$stored, $gone, $sending, $kept] = [self::withMasters($files), self::gone($files), self::sending($files), []];
        foreach ($files as $file) {
            $kept += Keeping::of($stored, [$file->run_id], $gone, $sending);
        }

        return $kept;
    }

    /**
     * Clears all of these away, or none.
     *
     * @param  list<int>  $ids  of runs
     *
     * @throws PackRefused when one of them has to stay
     * @throws FileProblem
     */
    public function clear(array $ids): void
    {
        foreach ($this->noteCleared($ids) as $file) {
            // Another request may have moved it already.
            file_exists($file->path) && ! file_exists($file->cleared) && Bin::put($file->path, $file->cleared);
        }
    }

    /**
     * Records the files to clear before moving any, so that a killed process loses nothing. The lock keeps others from queuing these
     * files for sending and from clearing the second master of a cut.
     *
     * @param  list<int>  $ids
     * @return list<ClearedFile>
     *
     * @throws PackRefused when one of them has to stay
     */
    private function noteCleared(array $ids): array
    {
        // Read the disks before the transaction, which blocks other writers.
        [$files, $missing] = Delivery::query()->whereIn('run_id', $ids)->where('is_stored', true)->with('run')->get()
            ->partition(self::isThere(...));
        $away = $missing->first(fn (Delivery $file): bool => $file->run !== null && ! Drive::holds(dirname($file->run->file)));
        if ($away !== null) {
            $what = "{$away->file} stays, and so does all else. Its folder is not there.";
            throw new PackRefused($what, 'Connect its drive, or leave it out.');
        }
        [$stored, $gone] = [self::withMasters($files), self::gone($files)];
        $notes = $files->mapWithKeys(fn (Delivery $file): array => [$file->run_id => self::note($file)])->all();

        return DB::transaction(function () use ($files, $missing, $ids, $stored, $gone, $notes): array {
            Run::query()->whereIn('cut_id', $files->pluck('cut_id'))->orWhereIn('id', $ids)->orderBy('id')->lockForUpdate()->pluck('id');
            $already = ClearedFile::query()->whereIn('run_id', array_column($stored, 'id'))->get()->keyBy('run_id');
            $lying = array_values(array_filter($stored, fn (StoredFile $file): bool => ! $already->has($file->id)));
            foreach (Keeping::of($lying, $ids, $gone, self::sending($files)) as $id => $why) {
                throw new PackRefused(mb_scrub(basename($notes[$id]['path']))." stays, and so does all else. {$why}", 'Leave it out.');
            }
            // Missing files were deleted outside Outer Crate. Remove them from the list.
            Delivery::setStored([...array_keys($notes), ...$missing->pluck('run_id')->all()], false);

            return array_map(
                fn (array $note): ClearedFile => $already[$note['run_id']] ?? ClearedFile::query()->create($note),
                array_values($notes),
            );
        });
    }

    /** @return array{run_id: int, path: string, cleared: string, bytes: int} */
    private static function note(Delivery $file): array
    {
        $path = (string) $file->run?->file;

        return ['run_id' => $file->run_id, 'path' => $path, 'cleared' => Bin::place($path), 'bytes' => Bin::bytes($path)];
    }

    /** @throws FileProblem */
    public function takeBack(): void
    {
        foreach ($this->cleared() as $file) {
            $isMoved = file_exists($file->cleared) || ! file_exists($file->path);
            if ($isMoved) {
                Bin::takeBack($file->cleared, $file->path);
                // Another run may have used its path meanwhile.
                Run::query()->whereKey($file->run_id)->update(['gone_at' => null]);
            }
            Delivery::setStored([$file->run_id], $isMoved || $file->run->gone_at === null);
            $file->delete();
        }
    }

    /** Deletes for good what was cleared away. */
    public function empty(): void
    {
        foreach ($this->cleared() as $file) {
            Bin::empty($file->cleared);
            // The file is still in place if the process that cleared it was killed before moving it.
            $isThere = file_exists($file->path) && $file->run->gone_at === null;
            $isThere || Run::query()->whereKey($file->run_id)->update(['gone_at' => now()]);
            Delivery::setStored([$file->run_id], $isThere);
            $file->delete();
        }
    }

    /** @return array{pictures: int, steps: int} bytes of what can be made again at any time */
    public function derived(): array
    {
        return ['pictures' => Workspace::pictureBytes(), 'steps' => (new StepStore)->bytes()];
    }

    /** @param  string  $what  pictures or steps */
    public function clearDerived(string $what): void
    {
        $what === 'steps' ? (new StepStore)->prune(0) : Workspace::forgetPictures();
    }

    /**
     * These files and all masters of their cuts that exist on disk. A deleted master does not count as a second copy.
     *
     * @param  Collection<int, Delivery>  $files
     * @return list<StoredFile>
     */
    private static function withMasters(Collection $files): array
    {
        $masters = Delivery::query()->where(['is_stored' => true, 'role' => Role::Master->value])
            ->whereIn('cut_id', $files->pluck('cut_id'))
            ->with(['run' => fn (Relation $run) => $run->select(['id', 'file'])->without('work')])->get();
        $there = $files->concat($masters)->unique('run_id')->filter(self::isThere(...));

        return array_values($there->map(fn (Delivery $file): StoredFile => new StoredFile(
            $file->run_id,
            (int) $file->cut_id,
            Role::from($file->role),
            new FrameRange($file->first_frame, $file->last_frame),
        ))->all());
    }

    /**
     * @param  Collection<int, Delivery>  $files
     * @return list<int> ids of their cuts whose own file is not there
     */
    private static function gone(Collection $files): array
    {
        $ids = $files->pluck('cut_id')->unique()->map(intval(...));
        $cuts = Cut::query()->whereKey($ids->all())->get(['id', 'path', 'bytes', 'modified'])->keyBy('id');

        return array_values($ids->reject(fn (int $id): bool => $cuts->has($id) && CutFile::isHere($cuts[$id]))->all());
    }

    /**
     * @param  Collection<int, Delivery>  $files
     * @return list<int> runs whose files are still to be sent
     */
    private static function sending(Collection $files): array
    {
        $open = Dispatch::query()->withoutEagerLoads()->whereIn('stage', Stage::needingFile());

        return array_values(array_map(intval(...), $open->whereIn('run_id', $files->pluck('run_id'))->distinct()->pluck('run_id')->all()));
    }

    private static function isThere(Delivery $file): bool
    {
        return $file->run !== null && Drive::holds($file->run->file);
    }
}
