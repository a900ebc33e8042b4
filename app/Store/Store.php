<?php

namespace App\Store;

use App\Media\Bin;
use App\Media\CutFile;
use App\Media\Drive;
use App\Media\FileProblem;
use App\Media\StepStore;
use App\Media\Workspace;
use App\Models\ClearedFile;
use App\Models\Dispatch;
use App\Models\Run;
use App\Models\WorkState;
use App\Packing\PackRefused;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;
use OuterCrate\Dispatch\Stage;
use OuterCrate\Presets\Role;
use OuterCrate\Store\Keeping;
use OuterCrate\Store\StoredFile;
use OuterCrate\Units\FrameRange;

/** What was made and takes room: looked through, cleared away, put back, and in the end deleted. */
class Store
{
    /** Of plan and slip, which are large, what is asked for here. */
    private const COLUMNS = [
        'id', 'pack', 'cut_id', 'cut_name', 'file', 'card', 'plan->range->first as first_frame', 'plan->range->last as last_frame',
        'slip->bytes as made_bytes',
    ];

    /** @return Collection<int, Run> whose files lie where they were made, with COLUMNS */
    public function runs(): Collection
    {
        return Run::query()
            ->whereHas('work', fn (Builder $work): Builder => $work->where('state', WorkState::Done))
            ->whereNull('gone_at')
            ->with('cut')
            ->orderBy('cut_name')->orderBy('cut_id')->orderBy('id')
            ->get(self::COLUMNS)
            ->filter(fn (Run $run): bool => Drive::holds($run->file))
            ->values();
    }

    /** @return Collection<int, ClearedFile> */
    public function cleared(): Collection
    {
        return ClearedFile::query()->with('run')->orderBy('id')->get();
    }

    /**
     * Why files cannot be cleared, each by itself.
     *
     * @param  Collection<int, Run>  $runs
     * @return array<int, string> by run
     */
    public function kept(Collection $runs): array
    {
        [$stored, $gone, $sending, $kept] = [self::stored($runs), self::gone($runs), self::sending($runs), []];
        foreach ($runs as $run) {
            $kept += Keeping::of($stored, [$run->id], $gone, $sending);
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
        foreach ($this->noteCleared($this->runs(), $ids) as $file) {
            // Another request may have moved it already, from the same note.
            file_exists($file->path) && ! file_exists($file->cleared) && Bin::put($file->path, $file->cleared);
        }
    }

    /**
     * Records what is to be cleared before anything is moved, so that a killed process loses nothing. Meanwhile nobody can queue one of
     * these files for sending, or clear the other master of a cut.
     *
     * @param  Collection<int, Run>  $runs
     * @param  list<int>  $ids
     * @return list<ClearedFile>
     *
     * @throws PackRefused when one of them has to stay
     */
    private function noteCleared(Collection $runs, array $ids): array
    {
        // The disks are read before the transaction: others wait while it holds the lock.
        [$going, $gone] = [$runs->whereIn('id', $ids), self::gone($runs)];
        $notes = $going->mapWithKeys(fn (Run $run): array => [$run->id => [
            'run_id' => $run->id, 'path' => $run->file, 'cleared' => Bin::place($run->file), 'bytes' => Bin::bytes($run->file),
        ]]);

        return DB::transaction(function () use ($runs, $ids, $going, $gone, $notes): array {
            Run::query()->whereIn('cut_id', $going->pluck('cut_id'))->orWhereIn('id', $ids)->orderBy('id')->lockForUpdate()->pluck('id');
            $already = ClearedFile::query()->get()->keyBy('run_id');
            $lying = $runs->reject(fn (Run $run): bool => $already->has($run->id));
            foreach (Keeping::of(self::stored($lying), $ids, $gone, self::sending($going)) as $id => $why) {
                $name = mb_scrub(basename($runs->firstOrFail('id', $id)->file));
                throw new PackRefused("{$name} stays, and so does all else. {$why}", 'Leave it out.');
            }

            return array_values($notes->map(fn (array $note): ClearedFile => $already[$note['run_id']]
                ?? ClearedFile::query()->create($note))->all());
        });
    }

    /** @throws FileProblem */
    public function takeBack(): void
    {
        foreach ($this->cleared() as $file) {
            if (file_exists($file->cleared) || ! file_exists($file->path)) {
                Bin::takeBack($file->cleared, $file->path);
                // Another run may have used its path meanwhile.
                Run::query()->whereKey($file->run_id)->update(['gone_at' => null]);
            }
            $file->delete();
        }
    }

    /** Deletes for good what was cleared away. */
    public function empty(): void
    {
        foreach ($this->cleared() as $file) {
            Bin::empty($file->cleared);
            // The file is still in place if the process that cleared it was killed before moving it.
            file_exists($file->path) ?: Run::query()->whereKey($file->run_id)->update(['gone_at' => now()]);
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
     * @param  Collection<int, Run>  $runs
     * @return list<StoredFile>
     */
    private static function stored(Collection $runs): array
    {
        return array_values($runs->map(fn (Run $run): StoredFile => new StoredFile(
            $run->id,
            (int) $run->cut_id,
            Role::from($run->card['role']),
            new FrameRange((int) $run->getAttribute('first_frame'), (int) $run->getAttribute('last_frame')),
        ))->all());
    }

    /**
     * @param  Collection<int, Run>  $runs
     * @return list<int> ids of their cuts whose own file is not there
     */
    private static function gone(Collection $runs): array
    {
        $gone = $runs->unique('cut_id')->filter(fn (Run $run): bool => $run->cut === null || ! CutFile::isHere($run->cut));

        return array_values($gone->map(fn (Run $run): int => (int) $run->cut_id)->all());
    }

    /**
     * @param  Collection<int, Run>  $runs
     * @return list<int> ids of those that are still to be sent
     */
    private static function sending(Collection $runs): array
    {
        $open = Dispatch::query()->withoutEagerLoads()->whereIn('stage', Stage::needingFile());

        return array_values(array_map('intval', $open->whereIn('run_id', $runs->modelKeys())->distinct()->pluck('run_id')->all()));
    }
}
